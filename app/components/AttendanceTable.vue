<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { attendanceProblem, mostDays } from '~~/core/record/attendanceProblem'
import type { Attendance } from '~~/core/record/observations'
import { gridArrows } from '~/keys/gridArrows'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** The days of the term, a line for each child: what the family report says of attendance. */
const classRecord = useClassRecord()
const settings = useSettings()
const may = computed(() => classRecord.may.general)
const way = useSessionStorage<'sums' | 'register'>('facunda.attendance', 'sums')
const parts = [
  { part: 'daysOpen', title: 'Days open', sort: 'days' },
  { part: 'absences', title: 'Absent', sort: 'days' },
  { part: 'lates', title: 'Late', sort: 'times' },
] as const
type Part = (typeof parts)[number]['part']

const lines = computed(() =>
  (classRecord.record?.students ?? []).map((student) => ({
    student,
    days: classRecord.index?.attendanceOf(student.id),
  })),
)
/** How many days the school was open for most. */
const usual = computed(() => {
  const all = lines.value.flatMap(({ days }) => days?.daysOpen ?? []).toSorted((a, b) => a - b)
  return all[Math.floor(all.length / 2)] ?? null
})
const forAll = ref<number | null>(null)
const problem = ref('')

function give(student: { id: string; usedName: string }, part: Part, input: HTMLInputElement): void {
  const before = classRecord.index?.attendanceOf(student.id)
  const now: Attendance = {
    ...(before ?? { studentId: student.id, daysOpen: usual.value ?? 0, absences: 0, lates: 0 }),
    [part]: input.value.trim() === '' ? Number.NaN : Number(input.value.replace(',', '.')),
  }
  const reason = Number.isNaN(now[part]) ? `“${input.value}” is no number.` : attendanceProblem(now)
  problem.value = reason === null ? '' : `${student.usedName}: ${reason}`
  if (reason === null) classRecord.giveAttendance([{ ...now, studentId: student.id }])
  else input.value = before ? String(before[part]) : ''
}

/** The same days open for everybody; of whom that cannot be is left as it is, and named. */
function openForAll(): void {
  const daysOpen = forAll.value
  if (daysOpen === null) return
  const all = lines.value.map(({ student, days: had }) => ({
    ...(had ?? { absences: 0, lates: 0 }),
    studentId: student.id,
    daysOpen,
  }))
  const fit = all.filter((each) => attendanceProblem(each) === null)
  const names = all
    .filter((each) => !fit.includes(each))
    .map(({ studentId }) => classRecord.index?.student(studentId)?.usedName)
  problem.value = names.length > 0 ? `Left as it is, since ${daysOpen} days cannot be: ${names.join(', ')}.` : ''
  if (fit.length > 0) classRecord.giveAttendance(fit)
}

/** The one cell that the table is entered by. */
const stop = ref({ row: 0, column: 0 })
const end = useLastCell()
function onFocus(row: number, column: number): void {
  end.leave()
  stop.value = { row, column }
}

/** Arrows lead from cell to cell; Enter goes on to the next child, as in a list on paper. */
function onKey(event: KeyboardEvent): void {
  if (end.holds(event)) return
  const step = gridArrows[event.key]
  const input = event.target as HTMLInputElement
  if (!step) return
  event.preventDefault()
  const [rows, columns] = event.key === 'Enter' && event.shiftKey ? [-1, 0] : step
  const place = `${stop.value.row + rows}.${stop.value.column + columns}`
  // At the edge the field keeps the focus, and what was typed is given as if it had been left.
  const next = input.closest('table')?.querySelector<HTMLInputElement>(`[data-cell="${place}"]`) ?? input
  input.blur()
  next.focus()
  next.select()
  if (next === input && event.key === 'Enter') end.reach()
}
</script>

<template>
  <div class="grid gap-3 pt-3">
    <p class="flex gap-4 text-sm">
      <label class="flex items-center gap-1.5"
        ><input v-model="way" type="radio" value="sums" /> Days of the term</label
      >
      <label class="flex items-center gap-1.5"
        ><input v-model="way" type="radio" value="register" /> Register, day by day</label
      >
    </p>
    <RegisterGrid v-if="way === 'register'" :may="may" />
    <template v-else>
      <form v-if="may" class="flex flex-wrap items-center gap-3 text-sm" @submit.prevent="openForAll">
        <label class="flex items-center gap-2"
          >The school was open on
          <input v-model.number="forAll" type="number" min="0" step="0.5" :max="mostDays" class="field w-20" />
          days</label
        >
        <button type="submit" class="quiet" :disabled="forAll === null">Set for everybody</button>
        <span class="text-muted">A register or a list can be brought below.</span>
      </form>
      <p v-else class="text-sm text-muted">
        {{ classRecord.may.locked ?? 'The home teacher keeps the attendance; you can read it.' }}
      </p>
      <p v-if="problem" class="needs text-sm" role="alert">{{ problem }}</p>
      <table class="w-full max-w-160">
        <thead>
          <tr class="border-b border-edge text-sm text-muted">
            <th scope="col" class="py-1">Student</th>
            <th v-for="each in parts" :key="each.part" scope="col" class="text-right">{{ each.title }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="({ student, days }, row) in lines" :key="student.id" class="border-b border-rule">
            <th scope="row" class="py-0.5 font-normal">{{ settings.nameOf(student) }}</th>
            <td v-for="(each, column) in parts" :key="each.part" class="text-right">
              <input
                v-if="may"
                v-stands="days?.[each.part] ?? ''"
                class="field w-14 py-0.5 text-right middle:w-20"
                inputmode="decimal"
                :data-cell="`${row}.${column}`"
                :tabindex="row === stop.row && column === stop.column ? 0 : -1"
                :aria-label="`${student.usedName}: ${each.title}, ${each.sort}`"
                @change="give(student, each.part, $event.target as HTMLInputElement)"
                @focus="onFocus(row, column)"
                @pointerdown="end.leave"
                @keydown="onKey"
              />
              <template v-else>{{ days?.[each.part] ?? '—' }}</template>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="min-h-5 text-sm" role="status">{{ end.said.value }}</p>
    </template>
  </div>
</template>
