<script setup lang="ts">
import { useVirtualizer } from '@tanstack/vue-virtual'
import { planCells, readBlock, type GivenCell } from '~~/core/exchange/gradebook/planCells'
import { resultText } from '~~/core/marks/resultText'
import type { PieceOfWork } from '~~/core/marks/work'
import { placesOfResults } from '~~/core/record/resultPlaces'
import type { StudentResult } from '~~/core/record/termRecord'
import type { WorkSpread } from '~/composables/useWorkSpread'
import { pressed } from '~/keys/keyTable'
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'

/**
 * Students × pieces of work, moved through and typed in as in a spreadsheet program. Only what is in view is drawn.
 * The grid itself has the focus and says which cell is at hand; a cell that is typed in has a field.
 */
const props = defineProps<{
  work: readonly PieceOfWork[]
  /** How the class did in each, in the order of the work. */
  spreads: readonly WorkSpread[]
  may: boolean
}>()
const emit = defineEmits<{ piece: [id: string]; cell: [workId: string] }>()
const classRecord = useClassRecord()
const view = useView()
const steps = useStepsBack()
const frame = useTemplateRef('frame')
const students = computed(() => classRecord.takers)
const { at, block, go, stepOf } = useCellRange(() => ({ rows: students.value.length, columns: props.work.length }))
const problems = ref<readonly string[]>([])
/** What is being typed into the cell at hand; null while nothing is. */
const typed = ref<string | null>(null)
/** The cell that it is typed into. */
let typedIn = ''
const end = useLastCell()
/** Of whom, and of which work, the cell at hand is. */
const cellId = (): string => `${students.value[at.value.row]?.id} ${props.work[at.value.column]?.id}`

const sizes = { row: 28, head: 78, widest: 150 }
const { width, nameWidth, fitting, from, last, turn } = useColumnWindow(
  frame,
  {
    count: () => props.work.length,
    at: () => at.value.column,
    go: (column) => go({ row: at.value.row, column }),
  },
  { column: 92, names: 168, namesWhereNarrow: 104 },
)
/** The columns in view, each with its place. */
const columns = computed(() => {
  const each = Math.min(sizes.widest, (width.value - nameWidth.value) / Math.max(1, fitting.value))
  return Array.from({ length: last.value - from.value }, (_, nth) => ({
    index: from.value + nth,
    style: { left: `${nameWidth.value + nth * each}px`, width: `${each}px` },
  }))
})
const rows = useVirtualizer(
  computed(() => ({
    count: students.value.length,
    getScrollElement: () => frame.value,
    estimateSize: () => sizes.row,
    scrollPaddingStart: sizes.head,
    overscan: 4,
  })),
)

const resultOf = (workId: string, studentId: string): StudentResult | undefined =>
  classRecord.index?.resultOf(workId, studentId)
const resultAt = (row: number, column: number): StudentResult | undefined =>
  resultOf(props.work[column]?.id ?? '', students.value[row]?.id ?? '')
const grid = computed(() => ({
  students: students.value,
  work: props.work,
  remarkAt: (workId: string, studentId: string) => resultOf(workId, studentId)?.remark ?? '',
}))
/** The very same list until something changes for the student. */
const resultsOf = (studentId: string): readonly StudentResult[] =>
  (classRecord.record && placesOfResults(classRecord.record.results).byStudent.get(studentId)) ?? none
const none: readonly StudentResult[] = []
const textAt = (row: number, column: number): string => {
  const result = resultAt(row, column)
  return result ? resultText(result) : ''
}
useCellStays(() => ({ rows: students.value.map(({ id }) => id), columns: props.work.map(({ id }) => id) }), {
  at,
  put: (to) => go(to),
})

// A child who is chosen in the class list is gone to in the grid, before the grid says who is at hand.
watch(
  () => classRecord.student?.id,
  (id) => {
    const row = students.value.findIndex((each) => each.id === id)
    if (row >= 0 && row !== at.value.row) go({ row, column: at.value.column })
  },
  { immediate: true },
)

watch(
  at,
  ({ row, column }, before) => {
    // What is typed belongs to the cell where it was begun: it never goes along to another child.
    if (cellId() !== typedIn) typed.value = null
    if (row !== before?.row) rows.value.scrollToIndex(row)
    const [student, piece] = [students.value[row], props.work[column]]
    if (student) view.kept.studentId = student.id
    if (piece) emit('cell', piece.id)
  },
  { immediate: true },
)
/** Puts a block in as one step that can be taken back, whole or not at all. */
function put(
  cells: readonly (readonly string[])[],
  where = { row: block.value.top, column: block.value.left },
): boolean {
  const planned = planCells(cells, where, grid.value)
  problems.value = planned.problems
  if (planned.problems.length > 0) return false
  const before = planned.cells.map(({ workId, studentId }): GivenCell => {
    const now = resultOf(workId, studentId)
    return { workId, studentId, result: now ? { state: now.state, score: now.score, remark: now.remark } : null }
  })
  steps.take({
    forth: () => classRecord.giveResults(planned.cells),
    back: () => classRecord.giveResults(before),
  })
  return true
}

/** Goes to the first child's cell of a piece of work. @returns whether its column is in view */
function enter(workId: string): boolean {
  const column = props.work.findIndex(({ id }) => id === workId)
  if (column < 0) return false
  go({ row: 0, column })
  frame.value?.focus()
  return true
}
defineExpose({ enter })

function begin(text: string): void {
  if (!props.may) return
  typed.value = text
  typedIn = cellId()
  void nextTick(() => frame.value?.querySelector('input')?.focus())
}

/**
 * Keeps what was typed; where the focus is stays where the person has put it.
 * @returns false where it cannot be taken: it stays in its cell, to be corrected
 */
function finish(): boolean {
  if (typed.value === null) return true
  if (typed.value !== textAt(at.value.row, at.value.column) && !put([[typed.value]], at.value)) return false
  typed.value = null
  problems.value = []
  return true
}

function giveUp(): void {
  typed.value = null
  problems.value = []
  frame.value?.focus()
}

const blockText = (): string[][] =>
  Array.from({ length: block.value.bottom - block.value.top + 1 }, (_, down) =>
    Array.from({ length: block.value.right - block.value.left + 1 }, (__, across) =>
      textAt(block.value.top + down, block.value.left + across),
    ),
  )

/** The first row of the block in all of it. */
function fillDown(): void {
  const [first = []] = blockText()
  const depth = block.value.bottom - block.value.top
  if (depth > 0) put(Array.from({ length: depth + 1 }, () => first))
}

function onKey(event: KeyboardEvent): void {
  if (end.holds(event)) return
  const control = event.ctrlKey || event.metaKey
  const step = stepOf(event, Math.max(1, Math.floor((rows.value.scrollRect?.height ?? 300) / sizes.row) - 3))
  if (step) go(step, event.shiftKey)
  else if (event.key === 'Enter') go({ row: at.value.row + (event.shiftKey ? -1 : 1), column: at.value.column })
  else if (pressed(event, 'back')) steps.back()
  else if (pressed(event, 'again')) steps.again()
  else if (pressed(event, 'fillDown') && props.may) fillDown()
  else if (pressed(event, 'edit')) begin(textAt(at.value.row, at.value.column))
  else if (pressed(event, 'empty') && props.may) put(blockText().map((row) => row.map(() => '')))
  else if (event.key.length === 1 && !control && !event.altKey) begin(event.key)
  else return
  event.preventDefault()
}

function onFieldKey(event: KeyboardEvent): void {
  event.stopPropagation()
  if (pressed(event, 'asItStood')) giveUp()
  else if (event.key === 'Enter' || event.key === 'Tab') {
    const { row, column } = at.value
    const back = event.shiftKey ? -1 : 1
    if (finish()) {
      frame.value?.focus()
      if (event.key === 'Enter' && !event.shiftKey && row + 1 >= students.value.length) end.reach()
      go(event.key === 'Enter' ? { row: row + back, column } : { row, column: column + back })
    }
  } else return
  event.preventDefault()
}

function copy(event: ClipboardEvent): void {
  if (typed.value !== null) return
  event.preventDefault()
  const text = blockText()
    .map((row) => row.join('\t'))
    .join('\n')
  event.clipboardData?.setData('text/plain', text)
  if (event.type === 'cut' && props.may) put(blockText().map((row) => row.map(() => '')))
}

function paste(event: ClipboardEvent): void {
  if (typed.value !== null || !props.may) return
  event.preventDefault()
  put(readBlock(event.clipboardData?.getData('text/plain') ?? ''))
}

function click(event: MouseEvent, row: number, column: number): void {
  if (!finish()) return
  end.leave()
  go({ row, column }, event.shiftKey)
  frame.value?.focus()
}
</script>

<template>
  <div class="grid grid-cols-1 gap-2">
    <p class="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm text-muted">
      <span v-if="may"
        >Type a score, or m (missing), l 12 (late), ex (excused), inc (incomplete); empty takes it back. Below each
        heading: the class’s middle result and its middle half.</span
      >
      <span v-if="fitting < work.length" class="flex items-center gap-3"
        >Work {{ from + 1 }} to {{ last }} of {{ work.length }} in view
        <button type="button" class="quiet" :disabled="from === 0" @click="turn(-1)">Those before</button>
        <button type="button" class="quiet" :disabled="last >= work.length" @click="turn(1)">Those after</button></span
      >
      <span v-if="may" class="ml-auto flex gap-3">
        <button type="button" class="link" :disabled="steps.done.value.length === 0" @click="steps.back">
          Step back
        </button>
        <button type="button" class="link" :disabled="steps.undone.value.length === 0" @click="steps.again">
          Step on
        </button>
      </span>
    </p>
    <div v-if="problems.length > 0" class="needs max-h-32 overflow-y-auto text-sm" role="alert">
      <ul>
        <li v-for="each in problems.slice(0, 20)" :key="each">{{ each }}</li>
        <li v-if="problems.length > 20">And {{ problems.length - 20 }} more.</li>
      </ul>
    </div>
    <div
      ref="frame"
      role="grid"
      tabindex="0"
      class="relative max-h-[62vh] min-h-40 overflow-x-hidden overflow-y-auto border border-rule"
      aria-label="Results"
      aria-multiselectable="true"
      :aria-rowcount="students.length + 1"
      :aria-colcount="work.length + 1"
      :aria-readonly="!may"
      :aria-activedescendant="typed === null ? `result-${at.row}-${at.column}` : undefined"
      @keydown="onKey"
      @copy="copy"
      @cut="copy"
      @paste="paste"
    >
      <div role="rowgroup" class="relative" :style="{ height: `${sizes.head + rows.getTotalSize()}px` }">
        <div
          role="row"
          aria-rowindex="1"
          class="sticky top-0 z-2 border-b border-edge bg-paper text-sm"
          :style="{ height: `${sizes.head}px` }"
        >
          <span
            role="columnheader"
            class="inline-flex h-full items-end border-r border-rule bg-paper px-2 pb-1 text-muted"
            :style="{ width: `${nameWidth}px` }"
            >Student</span
          >
          <div
            v-for="({ index, style }, place) in columns"
            :key="place"
            role="columnheader"
            class="absolute top-0 grid h-full content-end px-2 pb-1 leading-tight"
            :aria-colindex="index + 2"
            :style="style"
          >
            <WorkHead v-if="spreads[index]" :spread="spreads[index]" @open="emit('piece', work[index]?.id ?? '')" />
          </div>
        </div>
        <template v-for="{ index: row, start: top } in rows.getVirtualItems()" :key="students[row]?.id">
          <ResultRow
            v-if="students[row]"
            :row="row"
            :student="students[row]"
            :work="work"
            :results="resultsOf(students[row].id)"
            :columns="columns"
            :name-width="nameWidth"
            :at="row === at.row ? at.column : null"
            :left="row >= block.top && row <= block.bottom ? block.left : null"
            :right="row >= block.top && row <= block.bottom ? block.right : null"
            :typed="row === at.row ? typed : null"
            :aria-rowindex="row + 2"
            :style="{ top: `${sizes.head + top}px`, height: `${sizes.row}px` }"
            @press="(event: MouseEvent, column: number) => click(event, row, column)"
            @open="begin"
            @type="(text: string) => (typed = text)"
            @field-key="onFieldKey"
            @finish="finish"
          />
        </template>
      </div>
    </div>
    <p class="min-h-5 text-sm" role="status">{{ end.said.value }}</p>
  </div>
</template>
