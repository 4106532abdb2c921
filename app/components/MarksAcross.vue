<script setup lang="ts">
import { roundHalfUp } from '~~/core/marks/rounding'
import { acrossSubjects } from '~~/core/record/acrossSubjects'
import { takes } from '~~/core/record/takers'
import { passLineOf } from '~~/core/marks/markRules'
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'

/** Each child's marks across the subjects, with their total and average; a proposal is told from what is settled. */
const emit = defineEmits<{ open: [] }>()
const classRecord = useClassRecord()
const view = useView()
const { markShown } = useMarks()

const subjects = computed(() => classRecord.record?.subjects ?? [])
const rows = computed(() => {
  const { index, record } = classRecord
  if (!index || !record) return []
  return record.students.map((student) => {
    const across = acrossSubjects(index, student.id)
    const bySubject = new Map(across.marks.map((mark) => [mark.subject, mark]))
    const special = (key: string): string => index.markOf(student.id, key)?.special ?? ''
    return {
      student,
      across,
      cells: subjects.value.map(({ key }) => ({
        key,
        mark: bySubject.get(key),
        special: takes(student, key) ? special(key) : 'not taken',
      })),
    }
  })
})
const decimals = (subject: string): number => classRecord.index?.rulesOf(subject).decimals ?? 0
const lines = computed(() => {
  const { index } = classRecord
  const all = index ? subjects.value.map(({ key }) => passLineOf(index.rulesOf(key))) : []
  const percents = [...new Set(all.map(({ percent }) => percent))]
  const isOwn = all.every((each) => each.isOwn)
  return `A pass is from ${percents.join(' or ')} %${isOwn ? '' : ' (as is common where a school has not said)'}.`
})

function go(studentId: string, subject: string): void {
  Object.assign(view.kept, { studentId, subject })
  emit('open')
}
</script>

<template>
  <div class="grid grid-cols-1 gap-3">
    <p class="text-sm text-muted">
      In slanted figures what is only proposed; <span class="text-needs">▾</span> below the pass line.
      {{ lines }} Totals add up the marks as they are shown.
    </p>
    <StudentTable :rows="rows">
      <template #heads>
        <th scope="col" class="px-1.5 text-right align-bottom">Average</th>
        <th scope="col" class="px-1.5 text-right align-bottom">Total</th>
        <th v-for="each in subjects" :key="each.key" scope="col" class="px-1.5 text-right align-bottom font-normal">
          {{ each.name }}
        </th>
      </template>
      <template #cells="{ row: { student, across, cells } }">
        <td class="px-1.5 text-right font-semibold">
          {{ across.average === null ? '—' : roundHalfUp(across.average, 2) }}
        </td>
        <td class="px-1.5 text-right">{{ across.marks.length > 0 ? across.total : '—' }}</td>
        <td v-for="{ key, mark, special } in cells" :key="key" class="px-1.5 text-right">
          <button type="button" class="link whitespace-nowrap no-underline" @click="go(student.id, key)">
            <template v-if="mark"
              ><span v-if="!mark.passes" class="text-needs"
                ><span aria-hidden="true">▾</span><span class="sr-only">below the pass line</span></span
              >
              <component :is="mark.isSettled ? 'span' : 'i'">{{
                markShown(mark.percent, key, decimals(key))
              }}</component><span v-if="!mark.isSettled" class="sr-only">, proposed</span></template
            ><template v-else>{{ special || '—' }}</template>
          </button>
        </td>
      </template>
    </StudentTable>
  </div>
</template>
