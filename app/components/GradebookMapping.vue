<script setup lang="ts">
import type { SheetAnswer } from '~~/contracts/answers'
import { rowKinds, type Correction, type RowKind } from '~~/core/exchange/gradebook/correctMapping'
import {
  childRows,
  columnRoles,
  type ColumnRole,
  type GradebookMapping,
} from '~~/core/exchange/gradebook/gradebookMapping'

/** The file's first rows and its last, with a guess at each column and row, to be corrected. */
const props = defineProps<{ sheet: SheetAnswer; mapping: GradebookMapping }>()
const emit = defineEmits<{ correct: [correction: Correction] }>()
const { listFolded } = useFrame()

const roleWords: Record<ColumnRole, string> = {
  'number': 'School number',
  'name': 'Whole name',
  'given name': 'Given name',
  'family name': 'Family name',
  'score': 'Score',
  'work': 'Piece of work',
  'out of': 'Out of',
  'category': 'Category',
  'date': 'Date',
  'weight': 'Weight',
  'counts': 'Into the mark',
  'state': 'Missing, late, excused',
  'remark': 'Remark',
  'ignore': 'Leave out',
}
const rowWords: Record<RowKind, string> = {
  'child': 'Results',
  'headings': 'Headings',
  'title': 'Titles go on',
  'out of': 'Out of',
  'category': 'Category',
  'date': 'Date',
  'weight': 'Weight',
  'counts': 'Into the mark',
  'nothing': 'Leave out',
}

function setRole(column: number, chosen: string): void {
  const role = columnRoles.find((each) => each === chosen)
  if (role) emit('correct', { column, role })
}

function setRow(row: number, chosen: string): void {
  const is = rowKinds.find((each) => each === chosen)
  if (is) emit('correct', { row, is })
}

function rowKind(number: number): RowKind {
  if (number === props.mapping.headingRow) return 'headings'
  const isRead = childNumbers.value.has(number)
  return props.mapping.describingRows[String(number)] ?? (isRead ? 'child' : 'nothing')
}

const childNumbers = computed(
  () => new Set(childRows({ rows: props.sheet.sample, delimiter: '' }, props.mapping).map(({ number }) => number)),
)

/** What a row can become: the headings stay where they are until another row has them. */
function kindsOf(number: number): RowKind[] {
  const isLong = props.mapping.shape === 'long'
  return rowKinds.filter((kind) => {
    if (kind === 'child') return number > props.mapping.headingRow || childNumbers.value.has(number)
    return !isLong || kind === 'headings' || kind === 'nothing'
  })
}

/** The place of the first row that does not follow on the one before it; -1 where the whole file is shown. */
const gapAt = computed(() => {
  const { sample, rows } = props.sheet
  return rows > sample.length ? sample.length - 3 : -1
})

/** The heading of a column and its first values, in a line. */
function columnOf(nth: number): { heading: string; values: string } {
  const cells = props.sheet.sample
    .filter((row) => row.number > props.mapping.headingRow)
    .flatMap((row) => row.cells[nth] || [])
  const heading = props.sheet.sample.find((row) => row.number === props.mapping.headingRow)?.cells[nth]
  return { heading: heading || `column ${nth + 1}`, values: cells.slice(0, 4).join(' · ') }
}
</script>

<template>
  <ul v-if="listFolded" aria-label="The file’s columns and rows">
    <li v-for="(role, nth) in mapping.columns" :key="nth" class="border-b border-rule py-2">
      <label class="flex flex-wrap items-center gap-x-3"
        ><span class="min-w-0 flex-1 font-semibold wrap-break-word">{{ columnOf(nth).heading }}</span>
        <select class="field w-36 py-0.5" :value="role" @change="setRole(nth, valueOf($event))">
          <option v-for="each in columnRoles" :key="each" :value="each">{{ roleWords[each] }}</option>
        </select></label
      >
      <p class="truncate text-sm text-muted">{{ columnOf(nth).values }}</p>
    </li>
    <li v-for="row in sheet.sample" :key="`row ${row.number}`" class="border-b border-rule py-2">
      <label class="flex flex-wrap items-center gap-x-3"
        ><span class="min-w-0 flex-1 font-semibold">Row {{ row.number }}</span>
        <span v-if="row.number === mapping.headingRow">Headings</span>
        <select
          v-else
          class="field w-36 py-0.5"
          :value="rowKind(row.number)"
          @change="setRow(row.number, valueOf($event))"
        >
          <option v-for="kind in kindsOf(row.number)" :key="kind" :value="kind">{{ rowWords[kind] }}</option>
        </select></label
      >
      <p class="truncate text-sm text-muted">{{ row.cells.filter(Boolean).join(' · ') }}</p>
    </li>
  </ul>
  <div
    v-else
    class="overflow-x-auto border border-rule bg-sheet"
    tabindex="0"
    role="region"
    aria-label="The file’s first rows"
  >
    <table class="text-sm">
      <thead>
        <tr class="border-b border-rule align-top">
          <th scope="col" class="px-2 py-1 text-muted">Row</th>
          <th v-for="(role, column) in mapping.columns" :key="column" scope="col" class="px-1 py-1">
            <select
              class="field w-36 py-0.5"
              :class="role === 'ignore' ? 'text-muted' : 'font-semibold'"
              :aria-label="`Column ${column + 1} is`"
              :value="role"
              @change="setRole(column, valueOf($event))"
            >
              <option v-for="each in columnRoles" :key="each" :value="each">{{ roleWords[each] }}</option>
            </select>
          </th>
        </tr>
      </thead>
      <tbody>
        <template v-for="(row, nth) in props.sheet.sample" :key="row.number">
          <tr v-if="nth === gapAt" class="border-b border-rule text-muted">
            <td :colspan="mapping.columns.length + 1" class="px-2">
              {{ sheet.rows - sheet.sample.length }} more rows, and the last three:
            </td>
          </tr>
          <tr class="border-b border-rule" :class="rowKind(row.number) === 'child' ? '' : 'text-muted'">
            <th scope="row" class="px-2 py-0.5 whitespace-nowrap text-muted">
              <span class="inline-block w-6">{{ row.number }}</span>
              <span v-if="row.number === mapping.headingRow">Headings</span>
              <select
                v-else
                class="field w-28 py-0 font-normal"
                :aria-label="`Row ${row.number} is`"
                :value="rowKind(row.number)"
                @change="setRow(row.number, valueOf($event))"
              >
                <option v-for="kind in kindsOf(row.number)" :key="kind" :value="kind">{{ rowWords[kind] }}</option>
              </select>
            </th>
            <td
              v-for="(role, column) in mapping.columns"
              :key="column"
              class="max-w-40 truncate px-2 py-0.5"
              :class="role === 'ignore' ? 'text-muted' : ''"
            >
              {{ row.cells[column] }}
            </td>
          </tr>
        </template>
      </tbody>
    </table>
  </div>
</template>
