<script setup lang="ts">
import { VueDraggable } from 'vue-draggable-plus'
import { draftComment } from '~~/core/narrative/draftComment'
import { partKinds } from '~~/core/narrative/phrase'
import {
  conditions,
  maySayHowMany,
  mostAtMost,
  needs,
  partKey,
  readPlan,
  writePlan,
  type PlannedPart,
} from '~~/core/narrative/plan'
import { draftRequest, strandsOf } from '~~/core/record/narrativeFacts'
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'
import { useSaving } from '~/stores/saving'

/** Which parts make the comment of a box, in which order, and which share a sentence; by dragging or by keyboard. */
const classRecord = useClassRecord()
const phrasebook = usePhrasebook()
const saving = useSaving()
const { busy, problem, attempt } = useAttempt()

const nameOfAbout = useNameOfAbout()
const inWords = ({ part, about }: Pick<PlannedPart, 'part' | 'about'>): string =>
  partKey({ part, about }) === part ? part : `${part} ${nameOfAbout(about)}`

const may = computed(() => classRecord.may.phrasebook)
const parts = ref<(PlannedPart & { id: number })[]>([])
let nextId = 0
/** Changes that are on their way, and a row that is being dragged: until they are done, the rows here stand. */
let held = 0
let queue: Promise<void> = Promise.resolve()

function takeStanding(): void {
  parts.value = (classRecord.box?.plan ?? []).map((part) => ({ ...part, id: nextId++ }))
}
/** Rows that stand as the plan does stay the same rows. */
function follow(): void {
  if (held === 0 && writePlan(classRecord.box?.plan ?? []) !== writePlan(parts.value)) takeStanding()
}
watch(
  () => classRecord.box,
  (box, before) => (box?.key === before?.key ? follow() : takeStanding()),
  { immediate: true },
)

/** Every part that this box can have. */
const possible = computed(() => {
  const { record, box } = classRecord
  if (!record || !box) return []
  const abouts =
    box.subject === null
      ? record.habits.map((habit) => `habit ${habit.key}`)
      : [...strandsOf(record.skills, box.subject).map(([strand]) => `outcome ${strand}`), 'outcome mark']
  return [
    ...partKinds.filter((kind) => kind !== 'outcome' && kind !== 'habit'),
    ...abouts,
    ...(box.subject === null
      ? ['habit each', 'habit strongest', 'habit weakest']
      : ['outcome each', 'outcome strongest', 'outcome weakest']),
  ]
})

/** The student in view, as the plan now stands. */
const preview = computed(() => {
  const { index, box, student, record } = classRecord
  if (!index || !box || !student || !record) return ''
  const request = draftRequest(index, student, { ...box, plan: parts.value })
  return draftComment({ ...request, standing: new Set() }, record.phrasebook).text
})

/** One after the other, so that the last change is the one that stays. */
function save(): Promise<void> {
  const key = classRecord.box?.key
  const plan = writePlan(parts.value)
  const standing = (): string => writePlan(classRecord.record?.boxes.find((each) => each.key === key)?.plan ?? [])
  held += 1
  queue = queue
    .then(() => attempt(() => phrasebook.change('PUT', `boxes/${key}/plan`, { plan, was: standing() })))
    .finally(() => {
      held -= 1
      follow()
    })
  saving.undoAfter(queue)
  return queue
}

function hold(): void {
  held += 1
}

function drop(): void {
  held -= 1
  void save()
}

function move(at: number, by: 1 | -1): void {
  const list = [...parts.value]
  const [part] = list.splice(at, 1)
  if (!part) return
  list.splice(at + by, 0, part)
  parts.value = list
  void save()
}

function add(event: Event): void {
  const select = event.target as HTMLSelectElement
  parts.value = [...parts.value, ...readPlan(select.value).map((part) => ({ ...part, id: nextId++ }))]
  select.value = ''
  void save()
}

function change(at: number, part: Partial<PlannedPart>): void {
  parts.value = parts.value.map((each, index) => (index === at ? { ...each, ...part } : each))
  void save()
}

function takeOut(at: number): void {
  parts.value = parts.value.filter((_, index) => index !== at)
  void save()
}
</script>

<template>
  <section aria-label="Plan" class="grid gap-3">
    <VueDraggable
      v-model="parts"
      tag="ol"
      handle=".handle"
      :disabled="!may"
      class="grid gap-1"
      @start="hold"
      @end="drop"
    >
      <li
        v-for="(part, at) in parts"
        :key="part.id"
        class="flex items-center gap-x-3 border-b border-rule py-1.5"
        :class="part.sharesSentence ? 'pl-8' : ''"
      >
        <span v-if="may" class="handle cursor-grab px-1 text-muted" aria-hidden="true">⠿</span>
        <div class="flex min-w-0 flex-1 flex-wrap items-center gap-x-3 gap-y-1">
          <span class="w-full">{{ inWords(part) }}</span>
          <label class="text-sm whitespace-nowrap"
            >said
            <select
              class="bg-paper"
              :disabled="!may"
              :value="part.when ?? ''"
              @change="
                change(at, {
                  when: conditions.find((each) => each === ($event.target as HTMLSelectElement).value) ?? null,
                })
              "
            >
              <option value="">always</option>
              <option v-for="each in conditions" :key="each" :value="each">when {{ each }}</option>
            </select></label
          >
          <label class="text-sm whitespace-nowrap"
            ><span class="sr-only">{{ inWords(part) }} is said </span>
            <select
              class="bg-paper"
              :disabled="!may"
              :value="part.need ?? ''"
              @change="change(at, { need: needs.find((each) => each === ($event.target as HTMLSelectElement).value) })"
            >
              <option value="">if there is room</option>
              <option value="must">must be said</option>
              <option value="may">first to go</option>
            </select></label
          >
          <label v-if="maySayHowMany(part)" class="text-sm whitespace-nowrap"
            ><span class="sr-only">how many of {{ inWords(part) }} </span>
            <select
              class="bg-paper"
              :disabled="!may"
              :value="part.atMost ?? ''"
              @change="change(at, { atMost: Number(($event.target as HTMLSelectElement).value) || undefined })"
            >
              <option value="">all of them</option>
              <option v-for="number in mostAtMost" :key="number" :value="number">at most {{ number }}</option>
            </select></label
          >
          <label v-if="at > 0" class="flex items-center gap-1 text-sm"
            ><input
              type="checkbox"
              :disabled="!may"
              :checked="part.sharesSentence"
              @change="change(at, { sharesSentence: !part.sharesSentence })"
            />
            joins the one above</label
          >
        </div>
        <span v-if="may" class="flex shrink-0 gap-1.5 text-sm">
          <button
            type="button"
            class="quiet"
            :disabled="at === 0"
            :aria-label="`${inWords(part)}: up`"
            @click="move(at, -1)"
          >
            ↑
          </button>
          <button
            type="button"
            class="quiet"
            :disabled="at === parts.length - 1"
            :aria-label="`${inWords(part)}: down`"
            @click="move(at, 1)"
          >
            ↓
          </button>
          <button type="button" class="quiet" :aria-label="`Take out ${inWords(part)}`" @click="takeOut(at)">
            Out
          </button>
        </span>
      </li>
    </VueDraggable>
    <label v-if="may" class="text-sm"
      >Add
      <select class="field" :disabled="busy" @change="add">
        <option value="">a part …</option>
        <option v-for="each in possible" :key="each" :value="each">{{ readPlan(each).map(inWords).join() }}</option>
      </select></label
    >
    <p v-else class="text-sm text-muted">The coordinator changes plans.</p>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <MarginPanel :title="`${classRecord.student?.usedName ?? ''} by this plan`"
      ><p class="font-serif">{{ preview || 'Nothing could be said yet.' }}</p></MarginPanel
    >
  </section>
</template>
