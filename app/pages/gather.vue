<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { useSessionStorage, watchDebounced } from '@vueuse/core'
import type { FileAnswer, PlanAnswer } from '~~/contracts/answers'
import type { GradebookMapping } from '~~/core/exchange/gradebookMapping'
import { countPlan } from '~~/core/exchange/planImport'
import type { PieceOfWork } from '~~/core/marks/work'
import { teacherOf } from '~~/core/record/roster'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'

useHead({ title: 'Gather · Facunda' })
const classRecord = useClassRecord()
const saving = useSaving()
const file = shallowRef<FileAnswer | null>(null)
const mapping = ref<GradebookMapping | null>(null)
const plan = shallowRef<PlanAnswer | null>(null)
const { busy, problem, attempt } = useAttempt()
const done = ref('')
const tab = useSessionStorage('facunda.gather.tab', 0)
/** The piece of work that is looked at, or a new one (an empty text); null for none. */
const editing = ref<string | null>(null)
/** The piece of work of the cell at hand. */
const workAtHand = ref<string | null>(null)
watch(
  () => `${classRecord.place} ${classRecord.subject?.key}`,
  () => (editing.value = workAtHand.value = null),
)

const subject = computed(() => classRecord.subject)
const teacher = computed(() => {
  const { record } = classRecord
  return record && subject.value ? teacherOf(record, subject.value.key) : ''
})
const mayGather = computed(() => subject.value !== null && classRecord.may.subjects.includes(subject.value.key))
const work = computed(() => (subject.value && classRecord.index ? classRecord.index.workOf(subject.value.key) : []))
const rows = useWorkSpread(work)
/** Categories that are folded, by subject. */
const foldedIn = useSessionStorage<Record<string, string[]>>('facunda.gather.folded', {})
const folded = computed({
  get: () => foldedIn.value[subject.value?.key ?? ''] ?? [],
  set: (keys) => (foldedIn.value = { ...foldedIn.value, [subject.value?.key ?? '']: keys }),
})
const inView = computed(() => rows.value.filter(({ piece }) => !folded.value.includes(piece.category)))
/** The very same list for as long as no piece of work changes. */
const inOrder = computed((before?: PieceOfWork[]) => {
  const now = inView.value.map(({ piece }) => piece)
  return before && before.length === now.length && now.every((piece, at) => piece === before[at]) ? before : now
})
const toTake = computed(() => {
  if (!plan.value) return 0
  const counts = countPlan(plan.value.plan)
  return counts.new + counts.changed + counts.workChanged
})

/** Files that were brought together, each sorted by what is in it. */
const brought = shallowRef<readonly File[]>([])
/** A list for the door of lists. */
const given = shallowRef<{ text: string } | null>(null)

async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const chosen = [...(input.files ?? [])]
  input.value = ''
  await take(chosen)
}

/** A gradebook by itself is looked at straight away; of several files, and of lists, each says what it is. */
async function take(files: readonly File[]): Promise<void> {
  const [only, ...others] = files
  const { record } = classRecord
  if (only && others.length === 0 && record && mayGather.value) {
    const sheets = await sortFile(only, record)
    if (sheets.some(({ door }) => door !== 'list')) return bring(only)
  }
  brought.value = files
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
  const dropped = [...(event.dataTransfer?.files ?? [])]
  if (dropped.length > 0) void take(dropped)
}
</script>

<template>
  <div class="grid grid-cols-1 gap-4 p-3 middle:p-5" @dragover.prevent @drop.prevent="drop">
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <p v-if="done" class="border-l-2 border-teal bg-teal-wash px-3 py-2" role="status">{{ done }}</p>

    <BroughtFiles
      v-if="brought.length > 0"
      v-show="!file"
      :files="brought"
      :may="mayGather"
      @gradebook="bring"
      @list="given = { text: $event }"
      @done="brought = []"
    />

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
          {{
            !plan
              ? 'Looking at it …'
              : toTake === 0
                ? 'Nothing in it is new'
                : `Take in ${toTake} ${toTake === 1 ? 'result' : 'results'}`
          }}
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
        <h1 class="text-xl font-semibold">
          {{ tab === 2 ? `${classRecord.record?.classRoom.name}: attendance` : `${subject?.name}: work of the term` }}
        </h1>
        <button v-if="mayGather && tab !== 2" type="button" class="quiet ml-auto" @click="editing = ''">
          Add a piece of work
        </button>
        <label
          v-if="mayGather && tab !== 2"
          class="press cursor-pointer focus-within:outline-2 focus-within:outline-teal"
        >
          Choose a gradebook file
          <input
            type="file"
            multiple
            accept=".csv,.tsv,.txt,.xlsx,.ods,.zip,text/csv"
            class="sr-only"
            @change="choose"
          />
        </label>
      </div>
      <p v-if="!mayGather && !classRecord.may.locked" class="text-muted">
        {{ teacher }} brings in the results of this subject. You can read them.
      </p>
      <WorkEditor
        v-if="subject && editing !== null && mayGather"
        :key="`${subject.key} ${editing}`"
        :subject="subject.key"
        :piece="editing || null"
        @done="editing = null"
      />
      <TabGroup :selected-index="tab" @change="tab = $event">
        <TabList class="flex flex-wrap gap-x-5 border-b border-rule">
          <Tab v-for="each in ['Results', 'Work and weights', 'Attendance']" :key="each" class="tab">{{ each }}</Tab>
        </TabList>
        <TabPanels>
          <TabPanel :tabindex="-1"
            ><CategoryFolds v-if="rows.length > 0" v-model="folded" :work="rows.map(({ piece }) => piece)" />
            <ResultGrid
              v-if="rows.length > 0"
              :key="`${classRecord.place} ${subject?.key}`"
              :work="inOrder"
              :spreads="inView"
              :may="mayGather"
              @piece="editing = $event"
              @cell="workAtHand = $event"
            />
            <p v-else class="border border-dashed border-edge p-8 text-center">
              No work of {{ subject?.name }} is in for {{ classRecord.record?.term.name }} yet.
              <template v-if="mayGather"
                >Choose the file your gradebook exports (CSV, XLSX, ODS or a OneRoster bundle, a row per student or a
                row per result), or drop it here, or add a piece of work and type its results. Without a gradebook,
                marks and levels are settled straight away in
                <NuxtLink to="/settle" class="link">Settle</NuxtLink>.</template
              >
            </p>
          </TabPanel>
          <TabPanel :tabindex="-1"
            ><WorkList v-if="rows.length > 0" :rows="rows" :may="mayGather" @piece="editing = $event" /><CategoryEditor
              v-if="subject"
              :key="subject.key"
              :subject="subject.key"
              :may="mayGather"
          /></TabPanel>
          <TabPanel :tabindex="-1"><AttendanceTable /></TabPanel>
        </TabPanels>
      </TabGroup>
      <ClassListDoor :key="classRecord.place" :given="given" />
      <PhotoDoor />
      <BlankTable />
      <TakeOut />
    </template>

    <MarginPanel title="Results of one student"
      ><ResultRemark
        v-if="!file && tab === 0"
        :work-id="workAtHand"
        :may="mayGather"
        @piece="editing = $event" /><StudentResults
    /></MarginPanel>
  </div>
</template>
