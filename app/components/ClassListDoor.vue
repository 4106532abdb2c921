<script setup lang="ts">
import { planClassList } from '~~/core/exchange/lists/planClassList'
import type { ClassCells } from '~~/core/exchange/lists/classCells'
import { useClassRecord } from '~/stores/classRecord'

/** Where lists of the class come in that are no gradebook: levels, habits, marks, attendance, notes. */
defineProps<{ given: { readonly text: string } | null }>()
const classRecord = useClassRecord()

const known = [
  'Number or Name, then your skills, habits or subjects by name',
  'Skill, Level',
  'Absent, Late, Days open',
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
  const { cells, ...rest } = planClassList(text, index, { may, today: answer.today })
  return { ...rest, notes: [], take: () => classRecord.takeListIn(withWhatStands(cells)) }
}

/** Each cell with what stands in it, as the server asks. */
function withWhatStands({ marks, levels, attendance, notes }: ClassCells) {
  const { index } = classRecord
  return {
    marks: marks.map((each) => {
      const was = index?.markOf(each.studentId, each.subject)
      return { ...each, was: was ? { percent: was.percent, special: was.special, reason: was.reason } : null }
    }),
    levels: levels.map((each) => ({ ...each, was: index?.levelOf(each.studentId, each.kind, each.about) ?? null })),
    attendance: attendance.map(({ studentId, ...days }) => classRecord.attendanceToKeep(studentId, days)),
    notes: notes.map(({ studentId, ...note }) => ({ id: crypto.randomUUID(), studentId, note })),
  }
}
</script>

<template>
  <ListDoor
    title="Bring levels, habits, marks, attendance or notes from a list"
    :columns="known"
    :words="['value', 'values']"
    :plan="plan"
    :given="given"
  />
</template>
