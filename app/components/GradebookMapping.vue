<script setup lang="ts">
import type { FileAnswer } from '~~/contracts/answers'
import { columnRoles, type GradebookMapping } from '~~/core/exchange/gradebookMapping'

/** The file's first rows with a guess above each column, to be corrected. */
const props = defineProps<{ file: FileAnswer }>()
const mapping = defineModel<GradebookMapping>({ required: true })
const { listFolded } = useFrame()

const words: Record<(typeof columnRoles)[number], string> = {
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

function setRole(column: number, role: string): void {
  const found = columnRoles.find((each) => each === role)
  if (found)
    mapping.value = {
      ...mapping.value,
      columns: mapping.value.columns.map((each, at) => (at === column ? found : each)),
    }
}

function rowKind(number: number): string {
  if (number === mapping.value.headingRow) return 'headings'
  return mapping.value.describingRows[String(number)] ?? (number < mapping.value.headingRow ? 'not used' : '')
}

/** The heading of a column and its first values, in a line. */
function columnOf(nth: number): { heading: string; values: string } {
  const cells = props.file.sample
    .filter((row) => row.number > mapping.value.headingRow)
    .flatMap((row) => row.cells[nth] || [])
  const heading = props.file.sample.find((row) => row.number === mapping.value.headingRow)?.cells[nth]
  return { heading: heading || `column ${nth + 1}`, values: cells.slice(0, 4).join(' · ') }
}
</script>

<template>
  <ul v-if="listFolded" aria-label="The file’s columns">
    <li v-for="(role, nth) in mapping.columns" :key="nth" class="border-b border-rule py-2">
      <label class="flex flex-wrap items-center gap-x-3"
        ><span class="min-w-0 flex-1 font-semibold wrap-break-word">{{ columnOf(nth).heading }}</span>
        <select
          class="field w-36 py-0.5"
          :value="role"
          @change="setRole(nth, ($event.target as HTMLSelectElement).value)"
        >
          <option v-for="each in columnRoles" :key="each" :value="each">{{ words[each] }}</option>
        </select></label
      >
      <p class="truncate text-sm text-muted">{{ columnOf(nth).values }}</p>
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
              class="field w-32 py-0.5"
              :class="role === 'ignore' ? 'text-muted' : 'font-semibold'"
              :aria-label="`Column ${column + 1} is`"
              :value="role"
              @change="setRole(column, ($event.target as HTMLSelectElement).value)"
            >
              <option v-for="each in columnRoles" :key="each" :value="each">{{ words[each] }}</option>
            </select>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="row in props.file.sample"
          :key="row.number"
          class="border-b border-rule"
          :class="rowKind(row.number) ? 'text-muted' : ''"
        >
          <th scope="row" class="px-2 py-0.5 whitespace-nowrap text-muted">
            {{ row.number }} <span class="text-xs">{{ rowKind(row.number) }}</span>
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
      </tbody>
    </table>
  </div>
</template>
