<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { planClassList } from '~~/core/exchange/lists/planClassList'
import type { ClassCells } from '~~/core/exchange/lists/classCells'
import { useClassRecord } from '~/stores/classRecord'
import { useRegister } from '~/stores/register'

/** Where lists of the class come in that are no gradebook: levels, habits, marks, attendance, practice, notes. */
const props = defineProps<{ given: { readonly text: string } | null }>()
const classRecord = useClassRecord()
const register = useRegister()
const { problem, attempt } = useAttempt()
const program = useLocalStorage('facunda.program', 'Practice')
const presenceOn = register.presenceOn
/** What the register has already is told from what is new. */
function look(): void {
  if (register.loaded !== classRecord.place) void attempt(register.load)
}
watch(
  () => props.given,
  (given) => given && look(),
  { immediate: true },
)

const known = [
  'Number or Name, then your skills, habits or subjects by name',
  'Skill, Level',
  'Absent, Late, Days open',
  'Date, Status',
  'Week, Minutes',
  'Goal, Reached, Out of',
  'Date, Note',
].join('; or ')

function may(need: string): boolean {
  const { subjects, general, notes } = classRecord.may
  if (need === 'general') return general
  return need === 'notes' ? notes : subjects.some((key) => need === `subject ${key}`)
}

function plan(text: string) {
  const { index, answer } = classRecord
  if (!index || !answer) throw new Error('The class is not here yet.')
  const { cells, ...rest } = planClassList(text, index, {
    may,
    today: answer.today,
    program: program.value,
    presenceOn,
  })
  return { ...rest, notes: [], take: () => takeIn(cells) }
}

async function takeIn(cells: ClassCells): Promise<void> {
  const hasDays = cells.register.length > 0
  await classRecord.takeListIn(withWhatStands(cells))
  if (hasDays) await register.load()
}

/** Each cell with what stands in it, as the server asks. */
function withWhatStands({ marks, levels, attendance, practice, register: days, notes }: ClassCells) {
  const { index } = classRecord
  return {
    marks: marks.map((each) => {
      const was = index?.markOf(each.studentId, each.subject)
      return { ...each, was: was ? { percent: was.percent, special: was.special, reason: was.reason } : null }
    }),
    levels: levels.map((each) => ({ ...each, was: index?.levelOf(each.studentId, each.kind, each.about) ?? null })),
    attendance: attendance.map(({ studentId, ...days }) => classRecord.attendanceToKeep(studentId, days)),
    practice: practice.map(({ amount, beside, ...each }) => {
      const was = index
        ?.practiceOf(each.studentId)
        .find(({ program: of, kind, name }) => of === each.program && kind === each.kind && name === each.name)
      return { ...each, practised: { amount, beside }, was: was ? { amount: was.amount, beside: was.beside } : null }
    }),
    register: days
      .map((each) => ({ ...each, was: presenceOn(each.studentId, each.day) ?? null }))
      .filter(({ presence, was }) => presence !== was),
    notes: notes.map(({ studentId, ...note }) => ({ id: crypto.randomUUID(), studentId, note })),
  }
}
</script>

<template>
  <ListImport
    title="Bring levels, habits, marks, attendance, practice or notes from a list"
    :columns="known"
    :words="['value', 'values']"
    :plan="plan"
    :given="given"
    @focusin="look"
  >
    <p v-if="problem" class="needs text-sm" role="alert">{{ problem }}</p>
    <label class="flex flex-wrap items-center gap-2 text-sm"
      >Where a list of practice names no program, it is from
      <input v-model="program" maxlength="80" class="field w-48" required
    /></label>
  </ListImport>
</template>
