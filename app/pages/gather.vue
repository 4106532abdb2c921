<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import type { FileAnswer, PlanAnswer } from '~~/contracts/answers'
import type { GradebookMapping } from '~~/core/exchange/gradebookMapping'
import { countPlan } from '~~/core/exchange/planImport'
import { median, quantile } from '~~/core/marks/middle'
import { percentText, roundHalfUp } from '~~/core/marks/rounding'
import { teacherOf } from '~~/core/record/roster'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useSettings } from '~/stores/settings'

useHead({ title: 'Gather · Facunda' })
const classRecord = useClassRecord()
const saving = useSaving()
const settings = useSettings()
const file = shallowRef<FileAnswer | null>(null)
const mapping = ref<GradebookMapping | null>(null)
const plan = shallowRef<PlanAnswer | null>(null)
const { busy, problem, attempt } = useAttempt()
const done = ref('')
const { listFolded } = useFrame()

const subject = computed(() => classRecord.subject)
const teacher = computed(() => {
  const { record } = classRecord
  return record && subject.value ? teacherOf(record, subject.value.key) : ''
})
const mayGather = computed(() => subject.value !== null && classRecord.may.subjects.includes(subject.value.key))
const work = computed(() => (subject.value && classRecord.index ? classRecord.index.workOf(subject.value.key) : []))
const rows = computed(() =>
  (settings.own.workOrder === 'newest first' ? [...work.value].reverse() : work.value).map((piece) => {
    const results = classRecord.record?.results.filter((result) => result.workId === piece.id) ?? []
    const scores = results.flatMap((result) => (result.score === null ? [] : [(result.score / piece.outOf) * 100]))
    return {
      piece,
      results: results.length,
      middle: median(scores),
      low: quantile(scores, 0.25),
      high: quantile(scores, 0.75),
      missing: results.filter((result) => result.state === 'missing').length,
    }
  }),
)
const categoryName = useCategoryName()
const toTake = computed(() => {
  if (!plan.value) return 0
  const counts = countPlan(plan.value.plan)
  return counts.new + counts.changed + counts.workChanged
})

async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (chosen) await bring(chosen)
}

function bring(chosen: File): Promise<void> {
  done.value = ''
  return attempt(async () => {
    const query = new URLSearchParams({ subject: subject.value?.key ?? '', name: chosen.name })
    const answer = await askServer<FileAnswer>('POST', `${classRecord.place}/files?${query}`, chosen)
    file.value = answer
    mapping.value = answer.mapping
  })
}

function chooseSheet(name: string): void {
  const sheet = file.value?.sheets.find((each) => each.mapping.sheet === name)
  if (!file.value || !sheet) return
  plan.value = null
  file.value = { ...file.value, ...sheet }
  mapping.value = sheet.mapping
}

// Each correction shows at once what it would change.
watchDebounced(
  mapping,
  () =>
    attempt(async () => {
      if (!file.value || !mapping.value) return
      plan.value = await askServer<PlanAnswer>('POST', `/api/files/${file.value.id}/plan`, { mapping: mapping.value })
    }),
  { debounce: 150, deep: true },
)

function whoIs(written: string, studentId: string): void {
  if (!mapping.value) return
  const { [written]: _before, ...people } = mapping.value.people
  mapping.value = { ...mapping.value, people: studentId ? { ...people, [written]: studentId } : people }
}

function takeIn(): Promise<void> {
  return attempt(async () => {
    if (!file.value || !mapping.value || !plan.value) return
    const answer = await askServer<{ event: number | null; summary: string }>(
      'POST',
      `/api/files/${file.value.id}/apply`,
      { mapping: mapping.value, fingerprint: plan.value.fingerprint },
    )
    saving.did(answer.event)
    done.value = `${file.value.name} is in: ${answer.summary}.`
    leave()
    await classRecord.load()
  })
}

function leave(): void {
  file.value = null
  mapping.value = null
  plan.value = null
}

function drop(event: DragEvent): void {
  const dropped = event.dataTransfer?.files[0]
  if (dropped && mayGather.value) void bring(dropped)
}
</script>

<template>
  <div class="grid gap-4 p-3 middle:p-5" @dragover.prevent @drop.prevent="drop">
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <p v-if="done" class="border-l-2 border-teal bg-teal-wash px-3 py-2" role="status">{{ done }}</p>

    <template v-if="file && mapping">
      <div class="flex flex-wrap items-start gap-3">
        <div class="min-w-60 flex-1">
          <h1 class="truncate text-xl font-semibold">{{ file.name }}</h1>
          <p class="text-sm text-muted">
            Into {{ subject?.name }}, {{ classRecord.record?.term.name }}. {{ file.rows }} rows,
            {{ mapping.shape === 'wide' ? 'a row per student' : 'a row per result'
            }}<template v-if="file.remembered">, read as you corrected it last time</template>
          </p>
        </div>
        <button type="button" class="press" :disabled="busy || !plan || toTake === 0" @click="takeIn">
          {{ !plan ? 'Looking at it …' : toTake === 0 ? 'Nothing in it is new' : `Take in ${toTake} results` }}
        </button>
        <button type="button" class="quiet" @click="leave">Leave the file</button>
      </div>
      <label v-if="file.sheets.length > 1" class="flex items-center gap-2"
        >Sheet
        <select class="field" :value="mapping.sheet" @change="chooseSheet(valueOf($event))">
          <option v-for="each in file.sheets" :key="each.mapping.sheet" :value="each.mapping.sheet">
            {{ each.mapping.sheet }} ({{ each.rows }} rows)
          </option>
        </select></label
      >
      <ImportSummary v-if="plan" :plan="plan.plan" @answer="whoIs" />
      <p>This is how the columns were read. Correct what is wrong above a column.</p>
      <GradebookMapping v-model="mapping" :file="file" />
      <div class="flex flex-wrap gap-4 text-sm">
        <label class="flex items-center gap-2"
          >Heading row <input v-model.number="mapping.headingRow" type="number" min="1" class="field w-16"
        /></label>
        <label class="flex items-center gap-2"
          >Where the file names none: category <input v-model="mapping.category" class="field w-36"
        /></label>
        <label class="flex items-center gap-2"
          >out of <input v-model.number="mapping.outOf" type="number" min="1" class="field w-20"
        /></label>
        <label class="flex items-center gap-2"
          >Dates
          <select v-model="mapping.dates" class="field">
            <option>day first</option>
            <option>month first</option>
          </select></label
        >
      </div>
    </template>

    <template v-else>
      <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 class="text-xl font-semibold">{{ subject?.name }}: work of the term</h1>
        <label v-if="mayGather" class="press ml-auto cursor-pointer focus-within:outline-2 focus-within:outline-teal">
          Choose a gradebook file
          <input type="file" accept=".csv,.tsv,.txt,.xlsx,.ods,text/csv" class="sr-only" @change="choose" />
        </label>
      </div>
      <p v-if="!mayGather && !classRecord.may.locked" class="text-muted">
        {{ teacher }} brings in the results of this subject. You can read them.
      </p>
      <table v-if="rows.length > 0" class="w-full">
        <thead>
          <tr class="border-b border-edge text-sm text-muted">
            <th scope="col" class="py-1">Piece of work</th>
            <template v-if="!listFolded">
              <th scope="col">Category</th>
              <th scope="col">Date</th>
              <th scope="col" class="text-right">Out of</th>
            </template>
            <th scope="col" class="text-right">Results</th>
            <th scope="col" class="text-right">Middle result</th>
            <th v-if="!listFolded" scope="col" class="text-right">Middle half</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ piece, results, middle, low, high, missing } in rows"
            :key="piece.id"
            class="border-b border-rule"
          >
            <th scope="row" class="py-1.5">
              {{ piece.title }}
              <span v-if="listFolded" class="block text-xs font-normal text-muted"
                >{{ categoryName(piece.category) }}, {{ piece.date ?? 'no date' }}, out of {{ piece.outOf }}</span
              >
            </th>
            <template v-if="!listFolded">
              <td>{{ categoryName(piece.category) }}</td>
              <td>{{ piece.date ?? '—' }}</td>
              <td class="text-right">{{ piece.outOf }}</td>
            </template>
            <td class="text-right">
              {{ results }} of {{ classRecord.record?.students.length
              }}<span v-if="missing > 0" class="text-needs">, {{ missing }} missing</span>
            </td>
            <td class="text-right">{{ middle === null ? '—' : percentText(middle) }}</td>
            <td v-if="!listFolded" class="text-right text-muted">
              {{ low === null || high === null ? '—' : `${roundHalfUp(low)} to ${percentText(high)}` }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="border border-dashed border-edge p-8 text-center">
        No work of {{ subject?.name }} is in for {{ classRecord.record?.term.name }} yet.
        <template v-if="mayGather"
          >Choose the file your gradebook exports (CSV, XLSX or ODS, a row per student or a row per result), or drop it
          here. Without a gradebook, marks and levels are settled straight away in
          <NuxtLink to="/settle" class="link">Settle</NuxtLink>.</template
        >
      </p>
      <CategoryEditor v-if="subject" :key="subject.key" :subject="subject.key" :may="mayGather" />
    </template>

    <MarginPanel title="Results of one student"><StudentResults /></MarginPanel>
  </div>
</template>
