<script setup lang="ts">
import { lastSchoolDays, sumsOfDays, type Presence } from '~~/core/record/register'
import { addDays } from '~~/core/addDays'
import { gridArrows } from '~/keys/gridArrows'
import { useClassRecord } from '~/stores/classRecord'
import { useRegister } from '~/stores/register'
import { useSettings } from '~/stores/settings'
import { useView } from '~/stores/view'

/** The register: a column for each school day, a key for who was absent or late. One stop for the keyboard. */
const props = defineProps<{ may: boolean }>()
const classRecord = useClassRecord()
const register = useRegister()
const settings = useSettings()
const view = useView()
const { problem, attempt } = useAttempt()
const frame = useTemplateRef('frame')
const at = ref({ row: 0, column: 0 })
const end = useLastCell()
/** How many days fit; the last ones of the term, or those before a day that is turned to. */
const shown = 10
const until = ref('')

watch(
  () => classRecord.place,
  () => {
    until.value = classRecord.answer?.today ?? ''
    if (register.loaded !== classRecord.place) void attempt(register.load)
  },
  { immediate: true },
)

const students = computed(() => classRecord.record?.students ?? [])
const days = computed(() => {
  const { record } = classRecord
  return record ? lastSchoolDays(record.term, until.value, shown) : []
})
const before = computed(() => days.value[0] !== undefined && days.value[0] > (classRecord.record?.term.starts ?? ''))
const later = computed(() => until.value < (classRecord.answer?.today ?? ''))
watch(
  () => days.value.join(' '),
  () => (at.value = { ...at.value, column: days.value.length - 1 }),
  { immediate: true },
)
useCellStays(() => ({ rows: students.value.map(({ id }) => id), columns: [] }), { at, put: (to) => (at.value = to) })

function earlier(): void {
  until.value = addDays(days.value[0] ?? until.value, -1)
}
function laterOn(): void {
  const today = classRecord.answer?.today ?? ''
  const next = addDays(days.value.at(-1) ?? until.value, 2 * 7)
  until.value = next > today ? today : next
}

const signs: Record<Presence, string> = { present: '·', late: 'L', absent: 'A' }
function signAt(studentId: string, day: string): string {
  const presence = register.presenceOn(studentId, day)
  return presence ? signs[presence] : ''
}
const keys: Record<string, Presence> = { 'p': 'present', ' ': 'present', 'l': 'late', 'a': 'absent' }
function onKey(event: KeyboardEvent): void {
  if (end.holds(event)) return
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const step = gridArrows[event.key]
  if (step) {
    event.preventDefault()
    return goTo(at.value.row + step[0], at.value.column + step[1])
  }
  const presence = event.key === 'Delete' || event.key === 'Backspace' ? null : keys[event.key.toLowerCase()]
  if (presence === undefined || !props.may) return
  event.preventDefault()
  giveAt(at.value.row, at.value.column, presence)
  if (presence === null) return
  if (at.value.row + 1 < students.value.length) goTo(at.value.row + 1, at.value.column)
  else end.reach()
}

function goTo(row: number, column: number): void {
  at.value = {
    row: Math.max(0, Math.min(students.value.length - 1, row)),
    column: Math.max(0, Math.min(days.value.length - 1, column)),
  }
  const cell = `[data-cell="${at.value.row}.${at.value.column}"]`
  void nextTick(() => frame.value?.querySelector<HTMLElement>(cell)?.focus())
}

function giveAt(row: number, column: number, presence: Presence | null): void {
  const [student, day] = [students.value[row], days.value[column]]
  if (student && day) register.give([{ studentId: student.id, day, presence }])
}

/** A click goes round: there, absent, late. */
function turnCell(row: number, column: number): void {
  end.leave()
  at.value = { row, column }
  const [student, day] = [students.value[row], days.value[column]]
  if (!props.may || !student || !day) return
  const next = { present: 'absent', absent: 'late', late: 'present' } as const
  const now = register.presenceOn(student.id, day)
  giveAt(row, column, now ? next[now] : 'present')
}

const dayAtHand = computed(() => days.value[at.value.column])
/** Who has no sign yet on the day at hand. */
const without = computed(() => {
  const day = dayAtHand.value
  return day === undefined ? [] : students.value.filter(({ id }) => register.presenceOn(id, day) === undefined)
})
function restPresent(): void {
  const day = dayAtHand.value
  if (day !== undefined) register.give(without.value.map(({ id }) => ({ studentId: id, day, presence: 'present' })))
}

function onFocus(row: number, column: number, studentId: string): void {
  if (row !== at.value.row || column !== at.value.column) end.leave()
  at.value = { row, column }
  view.kept.studentId = studentId
}

/** "Mon 23 Nov" */
const inWords = (day: string): string =>
  new Date(`${day}T00:00:00Z`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
const spoken = (studentId: string, day: string): string => register.presenceOn(studentId, day) ?? 'no sign yet'
const apart = computed(() =>
  students.value.filter(({ id }) => {
    const own = register.ofChild(id)
    const sums = classRecord.index?.attendanceOf(id)
    if (own.length === 0 || !sums) return false
    const counted = sumsOfDays(own)
    return sums.daysOpen !== counted.daysOpen || sums.absences !== counted.absences || sums.lates !== counted.lates
  }),
)
/** Sums that somebody gave apart from the register are exchanged on purpose alone. */
function takeCounts(): void {
  classRecord.giveAttendance(apart.value.map(({ id }) => ({ studentId: id, ...sumsOfDays(register.ofChild(id)) })))
}
</script>

<template>
  <div class="grid gap-3">
    <p v-if="problem" class="needs text-sm" role="alert">{{ problem }}</p>
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
      <p v-if="may" class="text-muted">Type A for absent, L for late, P for present; a click goes round.</p>
      <button v-if="may && dayAtHand" type="button" class="quiet" :disabled="without.length === 0" @click="restPresent">
        {{ without.length === students.length ? 'Everybody' : 'Everybody else' }} was there on {{ inWords(dayAtHand) }}
      </button>
      <button v-if="before" type="button" class="link" @click="earlier">Earlier days</button>
      <button v-if="later" type="button" class="link" @click="laterOn">Later days</button>
    </div>
    <div v-if="apart.length > 0" class="needs flex flex-wrap items-center gap-3 text-sm">
      <p class="flex-1">
        {{ apart.length === 1 ? 'The sums of a child were' : `The sums of ${apart.length} children were` }} given apart
        from the register, and stay:
        {{
          apart
            .slice(0, 5)
            .map(({ usedName }) => usedName)
            .join(', ')
        }}{{ apart.length > 5 ? ' …' : '' }}.
      </p>
      <button v-if="may" type="button" class="quiet" @click="takeCounts">Take the register’s counts</button>
    </div>
    <div ref="frame" class="overflow-x-auto" tabindex="-1">
      <table role="grid" aria-label="Register" class="w-max text-sm">
        <thead>
          <tr role="row">
            <th role="columnheader" scope="col" class="sticky left-0 bg-paper py-1 pr-3">Student</th>
            <th
              v-for="day in days"
              :key="day"
              role="columnheader"
              scope="col"
              class="w-13 px-0.5 text-center font-normal"
            >
              {{ inWords(day) }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(student, row) in students" :key="student.id" role="row" class="[&>*]:border-t [&>*]:border-rule">
            <th role="rowheader" scope="row" class="sticky left-0 bg-paper py-0.5 pr-3 font-normal">
              {{ settings.nameOf(student) }}
            </th>
            <td
              v-for="(day, column) in days"
              :key="day"
              role="gridcell"
              :data-cell="`${row}.${column}`"
              :tabindex="row === at.row && column === at.column ? 0 : -1"
              :aria-label="`${student.usedName}, ${inWords(day)}: ${spoken(student.id, day)}`"
              class="cursor-default text-center focus:outline-2 focus:-outline-offset-2 focus:outline-teal"
              :class="{
                'bg-needs-wash font-semibold text-needs': register.presenceOn(student.id, day) === 'absent',
                'font-semibold': register.presenceOn(student.id, day) === 'late',
              }"
              @focus="onFocus(row, column, student.id)"
              @click="turnCell(row, column)"
              @keydown="onKey"
            >
              {{ signAt(student.id, day) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="min-h-5 text-sm" role="status">{{ end.said.value }}</p>
  </div>
</template>
