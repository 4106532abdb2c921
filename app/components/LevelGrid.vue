<script setup lang="ts">
import { proposedLevels } from '~~/core/record/levelEvidence'
import { findLevel, strokesOf, type Scale } from '~~/core/scales/scale'
import { keptSymbol, readTyped } from '~~/core/scales/symbol'
import { pressed } from '~/keys/keyTable'
import { gridArrows } from '~/keys/gridArrows'
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'
import { useSettings } from '~/stores/settings'

export interface GridColumn {
  about: string
  title: string
  detail: string
  scale: Scale
  teacherOnly: boolean
}

/** Students × skills or habits. A symbol typed in a cell sets it and moves on, down or across as chosen. */
const props = defineProps<{ columns: GridColumn[]; kind: 'skill' | 'habit'; may: boolean }>()
const emit = defineEmits<{ cell: [about: string] }>()
const classRecord = useClassRecord()
const settings = useSettings()
const view = useView()
const table = useTemplateRef('table')
const frame = useTemplateRef('frame')
const at = ref({ row: 0, column: 0 })
const moves = ref<'down' | 'across'>('down')
const fillWith = ref('')
const problem = ref('')
const end = useLastCell()
/** What a key did that cannot be seen in the grid. */
const told = ref('')

const students = computed(() => (props.kind === 'skill' ? classRecord.takers : (classRecord.record?.students ?? [])))
const column = computed(() => props.columns[at.value.column])
/** What can be typed in the column at hand. */
const symbols = computed(() => column.value?.scale.levels.map((each) => each.symbol).join(', ') ?? '')
const afterFrame = useAfterFrame()
/** What was typed just now, by its cell: it stands at once, and what follows from it is worked out a frame later. */
const justTyped = shallowRef<ReadonlyMap<string, string | null>>(new Map())
/** The child whose row was turned to just now; null once the whole page shows that child. */
const turnedTo = ref<string | null>(null)
const shownId = computed(() => turnedTo.value ?? classRecord.student?.id)
function symbolAt(studentId: string, about: string): string | undefined {
  const typed = justTyped.value.get(`${studentId} ${about}`)
  return typed === undefined ? classRecord.index?.levelOf(studentId, props.kind, about) : (typed ?? undefined)
}
/** What the record proposes in each empty cell; found anew when the record changes, and not with each level typed. */
const proposed = shallowRef<ReadonlyMap<string, string>>(new Map())
watch(
  () => {
    const { record } = classRecord
    return [
      record?.answers,
      record?.questions,
      record?.work,
      record?.observations,
      record?.school,
      props.columns,
    ] as const
  },
  () => {
    const { index } = classRecord
    const abouts = props.columns.map(({ about }) => about)
    proposed.value = index ? proposedLevels(index, props.kind, abouts) : new Map()
  },
  { immediate: true },
)
const proposedAt = (studentId: string, about: string): string | undefined => proposed.value.get(`${studentId} ${about}`)
const open = computed(() =>
  empty.value.flatMap((student) => {
    const about = column.value?.about ?? ''
    const symbol = proposedAt(student.id, about)
    return symbol === undefined ? [] : [{ studentId: student.id, about, symbol }]
  }),
)
const empty = computed(() =>
  students.value.filter((student) => column.value && symbolAt(student.id, column.value.about) === undefined),
)

const { nameWidth, fitting, from, turn } = useColumnWindow(
  frame,
  {
    count: () => props.columns.length,
    at: () => at.value.column,
    go: (next) => (at.value = { ...at.value, column: next }),
  },
  { column: 84, names: 176, namesWhereNarrow: 104 },
)
const inView = computed(() => props.columns.slice(from.value, from.value + fitting.value))

useCellStays(() => ({ rows: students.value.map(({ id }) => id), columns: props.columns.map(({ about }) => about) }), {
  at,
  put: (to) => (at.value = to),
})

/** All that the record has in a row, in one word. What is typed just now does not ask it of every row again. */
const recordState = computed(
  () =>
    new Map(
      students.value.map(({ id }) => [
        id,
        props.columns
          .map(({ about }) => classRecord.index?.levelOf(id, props.kind, about) ?? `(${proposedAt(id, about) ?? ''})`)
          .join(' '),
      ]),
    ),
)

/** All that a row shows, in one word: a row is drawn again only when this changes. */
function rowState(row: number, studentId: string): string {
  const typed = [...justTyped.value].filter(([cell]) => cell.startsWith(`${studentId} `)).join(' ')
  const shown = `${recordState.value.get(studentId)}|${typed}`
  return `${shown}|${row === at.value.row ? at.value.column : ''}|${studentId === shownId.value}`
}

function spoken(each: GridColumn, studentId: string, name: string): string {
  const symbol = symbolAt(studentId, each.about)
  const level = symbol === undefined ? 'empty' : `${symbol} ${findLevel(each.scale, symbol)?.name ?? ''}`
  const proposal = symbol === undefined ? proposedAt(studentId, each.about) : undefined
  return `${name}, ${each.title}: ${level}${proposal === undefined ? '' : `, ${proposal} proposed`}`
}

function focusCell(row: number, column: number): void {
  at.value = {
    row: Math.max(0, Math.min(students.value.length - 1, row)),
    column: Math.max(0, Math.min(props.columns.length - 1, column)),
  }
  turnTo(students.value[at.value.row]?.id ?? null)
  void nextTick(() =>
    table.value?.querySelector<HTMLElement>(`[data-cell="${at.value.row}.${at.value.column}"]`)?.focus(),
  )
}

/** The row is marked at once; the rest of the page follows. */
function turnTo(studentId: string | null): void {
  turnedTo.value = studentId
  afterFrame(() => {
    if (turnedTo.value !== studentId) return
    view.kept.studentId = studentId
    turnedTo.value = null
  })
}

function onFocus(row: number, columnAt: number, studentId: string): void {
  if (at.value.row !== row || at.value.column !== columnAt) {
    at.value = { row, column: columnAt }
    end.leave()
  }
  if (studentId !== shownId.value) turnTo(studentId)
  const about = props.columns[columnAt]?.about
  if (about) afterFrame(() => emit('cell', about))
}

function onClick(row: number, columnAt: number): void {
  end.leave()
  focusCell(row, columnAt)
}

function settle(studentId: string, about: string, symbol: string | null): void {
  const cell = `${studentId} ${about}`
  const { kind } = props
  justTyped.value = new Map(justTyped.value).set(cell, symbol)
  afterFrame(() => {
    classRecord.settleLevels(kind, [{ studentId, about, symbol }])
    if (justTyped.value.get(cell) !== symbol) return
    justTyped.value = new Map([...justTyped.value].filter(([each]) => each !== cell))
  })
}

function goOn(): void {
  const { row, column: now } = at.value
  const isLastOfRow = moves.value === 'down' || now + 1 >= props.columns.length
  if (row + 1 >= students.value.length && isLastOfRow) end.reach()
  else if (moves.value === 'down') focusCell(row + 1, now)
  else if (now + 1 < props.columns.length) focusCell(row, now + 1)
  else focusCell(row + 1, 0)
}

/** An empty cell takes what is proposed in it. @returns whether it did */
function tookProposed(event: KeyboardEvent): boolean {
  const student = students.value[at.value.row]
  const about = column.value?.about
  if (!props.may || !student || about === undefined || !pressed(event, 'take')) return false
  const symbol = proposedAt(student.id, about)
  if (symbol === undefined || symbolAt(student.id, about) !== undefined) return false
  event.preventDefault()
  settle(student.id, about, symbol)
  goOn()
  return true
}

function onKey(event: KeyboardEvent): void {
  told.value = ''
  if (end.holds(event) || tookProposed(event)) return
  const step = gridArrows[event.key]
  if (step) {
    event.preventDefault()
    focusCell(at.value.row + step[0], at.value.column + step[1])
    return
  }
  const student = students.value[at.value.row]
  if (!student || !column.value || !props.may || event.ctrlKey || event.metaKey || event.altKey) return
  if (pressed(event, 'empty')) {
    event.preventDefault()
    settle(student.id, column.value.about, null)
  } else if (event.key.length === 1 && event.key !== ' ') {
    event.preventDefault()
    setTyped(student.id, event.key)
  }
}

function setTyped(studentId: string, key: string): void {
  if (!column.value) return
  const meaning = readTyped(column.value.scale, key)
  const symbol = meaning && keptSymbol(meaning)
  if (!symbol) {
    problem.value = `“${key}” is no level here. Type ${symbols.value}.`
    return
  }
  problem.value = ''
  if (symbolAt(studentId, column.value.about) === symbol) told.value = `${symbol} stood there already.`
  else settle(studentId, column.value.about, symbol)
  goOn()
}

function fill(which: 'empty' | 'all'): void {
  if (!column.value || fillWith.value === '') return
  const about = column.value.about
  const wanted = which === 'empty' ? empty.value : students.value
  classRecord.settleLevels(
    props.kind,
    wanted.map((student) => ({ studentId: student.id, about, symbol: fillWith.value })),
  )
}
</script>

<template>
  <div ref="frame" class="grid gap-3">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
      <p class="text-muted">Type {{ symbols }}, then on</p>
      <label class="flex items-center gap-1"><input v-model="moves" type="radio" value="down" /> down</label>
      <label class="flex items-center gap-1"><input v-model="moves" type="radio" value="across" /> across</label>
      <span role="status">{{ told }}</span>
      <button
        v-if="may && open.length > 0"
        type="button"
        class="press ml-auto"
        @click="classRecord.settleLevels(kind, open)"
      >
        Take {{ open.length }} open {{ open.length === 1 ? 'proposal' : 'proposals' }}
      </button>
    </div>
    <MovedLevels :kind="kind" :columns="columns" :proposed="proposed" :may="may" />
    <!-- A line of its own, with room for the longest title: the grid stays where it is from skill to skill. -->
    <div v-if="may && column" class="flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
      <label class="flex w-0 min-w-60 grow items-center gap-2">
        <span class="min-w-0 grow truncate text-right" :title="column.title">{{ column.title }}</span>
        <span class="shrink-0">all get</span>
        <select v-model="fillWith" class="field shrink-0">
          <option value="" disabled>level</option>
          <option v-for="each in column.scale.levels" :key="each.symbol" :value="each.symbol">
            {{ each.symbol }}
          </option>
        </select>
      </label>
      <button type="button" class="quiet" :disabled="fillWith === '' || empty.length === 0" @click="fill('empty')">
        Fill {{ empty.length }} empty
      </button>
      <button type="button" class="quiet" :disabled="fillWith === ''" @click="fill('all')">
        Replace {{ students.length }}
      </button>
    </div>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <p v-if="fitting < columns.length" class="flex flex-wrap items-center gap-3 text-sm">
      <span>{{ from + 1 }} to {{ from + fitting }} of {{ columns.length }} {{ kind }}s in view</span>
      <button type="button" class="quiet" :disabled="from === 0" @click="turn(-1)">Those before</button>
      <button type="button" class="quiet" :disabled="from + fitting >= columns.length" @click="turn(1)">
        Those after
      </button>
    </p>
    <table
      ref="table"
      role="grid"
      class="w-full table-fixed"
      :aria-label="kind === 'skill' ? 'Skill levels' : 'Habit scores'"
      :aria-colcount="columns.length + 1"
      @keydown="onKey"
    >
      <thead>
        <tr class="border-b border-edge align-bottom text-sm text-muted">
          <th scope="col" class="py-1" :style="{ width: `${nameWidth}px` }">Student</th>
          <th
            v-for="each in inView"
            :key="each.about"
            scope="col"
            class="px-1 py-1 leading-tight hyphens-auto wrap-break-word"
            :title="each.detail"
          >
            {{ each.title
            }}<span v-if="each.teacherOnly" class="block text-xs text-needs">for you only, never on the report</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <!-- Each row a layer of its own: a key paints the rows that it changes, and not the page. -->
        <tr
          v-for="(student, row) in students"
          :key="student.id"
          v-memo="[rowState(row, student.id), inView, may, settings.own.names]"
          class="border-b border-rule will-change-transform"
          :class="student.id === shownId ? 'bg-teal-wash' : ''"
        >
          <th scope="row" class="truncate py-0.5">
            {{ settings.nameOf(student) }}
          </th>
          <td
            v-for="(each, nth) in inView"
            :key="each.about"
            class="px-1"
            :aria-colindex="from + nth + 2"
            :data-cell="`${row}.${from + nth}`"
            role="gridcell"
            :tabindex="row === at.row && from + nth === at.column ? 0 : -1"
            :aria-label="spoken(each, student.id, student.usedName)"
            :aria-readonly="!may"
            @focus="onFocus(row, from + nth, student.id)"
            @click="onClick(row, from + nth)"
          >
            <span v-if="symbolAt(student.id, each.about) !== undefined" class="flex items-center gap-2"
              ><b class="w-6 font-semibold">{{ symbolAt(student.id, each.about) }}</b
              ><InkStrokes
                v-if="findLevel(each.scale, symbolAt(student.id, each.about) ?? '')"
                v-bind="strokesOf(each.scale, symbolAt(student.id, each.about) ?? '')"
            /></span>
            <i v-else-if="proposedAt(student.id, each.about) !== undefined" class="text-muted" title="proposed"
              >{{ proposedAt(student.id, each.about) }}?</i
            >
            <span v-else class="text-edge">·</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="min-h-5 text-sm" role="status">{{ end.said.value }}</p>
  </div>
</template>
