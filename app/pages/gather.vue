<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { useSessionStorage } from '@vueuse/core'
import type { FileAnswer } from '~~/contracts/answers'
import type { PieceOfWork } from '~~/core/marks/work'
import { teacherOf } from '~~/core/record/roster'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'

useHead({ title: 'Gather · Facunda' })
const classRecord = useClassRecord()
const file = shallowRef<FileAnswer | null>(null)
/** Where the file goes, in words: whatever is looked at since. */
const into = ref('')
const { problem, attempt } = useAttempt()
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

const grid = useTemplateRef('grid')
const addButton = useTemplateRef('addButton')
/** Where the editor stood nothing has the focus: on to the results of the piece of work, else back to the button. */
async function leaveEditor(id?: string): Promise<void> {
  editing.value = null
  await nextTick()
  if (id === undefined || tab.value !== 0 || !grid.value?.enter(id)) addButton.value?.focus()
}

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
    into.value = `${subject.value?.name}, ${classRecord.record?.term.name}`
    file.value = await askServer<FileAnswer>('POST', `${classRecord.place}/files?${query}`, chosen)
  })
}

async function cameIn(summary: string): Promise<void> {
  done.value = `${file.value?.name} is in: ${summary}.`
  file.value = null
  await attempt(() => classRecord.load())
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

    <GradebookFile v-if="file" :key="file.id" :file="file" :into="into" @done="cameIn" @leave="file = null" />

    <template v-else>
      <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 class="text-xl font-semibold">
          {{ tab === 2 ? `${classRecord.record?.classRoom.name}: attendance` : `${subject?.name}: work of the term` }}
        </h1>
        <button v-if="mayGather && tab !== 2" ref="addButton" type="button" class="quiet ml-auto" @click="editing = ''">
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
        @done="leaveEditor"
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
              ref="grid"
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
      <WhoTakes v-if="tab !== 2" />
      <ClassListImport :key="classRecord.place" :given="given" />
      <PhotoImport />
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
