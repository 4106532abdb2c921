<script setup lang="ts">
import { listOf } from '~~/core/narrative/listOf'
import { earlierOfYear, yearSoFar } from '~~/core/record/yearSoFar'
import { useClassRecord } from '~/stores/classRecord'

/** Each child's marks in the subject over the terms of the year, and what they come to up to each. */
const classRecord = useClassRecord()
const { markShown, besideMark, symbolOf } = useMarks()

const terms = computed(() => {
  const record = classRecord.record
  return record ? [...earlierOfYear(record), record].map(({ term }) => term) : []
})
const rows = computed(() => {
  const { index, record, subject } = classRecord
  if (!index || !record || !subject) return []
  return classRecord.takers.map((student) => {
    const found = new Map(yearSoFar(index, student.id, subject.key).map((each) => [each.term.id, each]))
    return { student, cells: terms.value.map(({ id }) => found.get(id)), last: [...found.values()].at(-1) }
  })
})
/** Which terms weigh otherwise than once, in words. */
const weights = computed(() => {
  const { index, subject } = classRecord
  const termWeights: Readonly<Record<string, number>> = index?.rulesOf(subject?.key ?? '').termWeights ?? {}
  const told = terms.value.flatMap(({ id, name }) => {
    const weight = termWeights[id]
    return weight === undefined || weight === 1 ? [] : [`${name} weighs ${weight}`]
  })
  return told.length === 0 ? '' : `, of which ${listOf(told)}`
})
const key = computed(() => classRecord.subject?.key ?? '')
const decimals = computed(() => classRecord.index?.rulesOf(key.value).decimals ?? 0)
</script>

<template>
  <div class="grid grid-cols-1 gap-3">
    <p class="text-sm text-muted">
      The year so far is the mean of the terms up to then{{ weights }}. In slanted figures what is only proposed.
    </p>
    <StudentTable :rows="rows">
      <template #heads>
        <template v-for="(term, at) in terms" :key="term.id">
          <th scope="col" class="px-2 text-right">{{ term.name }}</th>
          <th v-if="at > 0" scope="col" class="px-2 text-right font-normal">so far</th>
        </template>
        <th scope="col" class="px-2 text-right">The year so far</th>
      </template>
      <template #cells="{ row: { cells, last } }">
        <template v-for="(cell, at) in cells" :key="terms[at]?.id">
          <td class="px-2 text-right">
            <component :is="cell?.isSettled === false ? 'i' : 'span'">{{
              markShown(cell?.percent, key, decimals)
            }}</component><span v-if="cell?.isSettled === false" class="sr-only">, proposed</span>
          </td>
          <td v-if="at > 0" class="px-2 text-right text-muted">{{ markShown(cell?.soFar, key, decimals) }}</td>
        </template>
        <td class="px-2 text-right font-semibold">
          {{ markShown(last?.soFar, key, decimals) }}
          {{ last ? besideMark(symbolOf(last.soFar, key)) : '' }}
        </td>
      </template>
    </StudentTable>
  </div>
</template>
