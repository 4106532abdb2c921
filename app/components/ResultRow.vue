<script setup lang="ts">
import { standsOut } from '~~/core/marks/standsOut'
import { resultText, spokenResult } from '~~/core/marks/resultText'
import type { PieceOfWork } from '~~/core/marks/work'
import type { Student } from '~~/core/record/roster'
import type { StudentResult } from '~~/core/record/termRecord'
import { useSettings } from '~/stores/settings'

/** One student's row of the grid of results; drawn again only when something in it, or what is in view, changes. */
const props = defineProps<{
  row: number
  student: Student
  work: readonly PieceOfWork[]
  /** The student's own. */
  results: readonly StudentResult[]
  /** The columns in view, each with its place. */
  columns: readonly { index: number; style: Readonly<Record<string, string>> }[]
  nameWidth: number
  /** The column at hand; null where another row is. */
  at: number | null
  /** The columns that are chosen, from left to right; null where none is. */
  left: number | null
  right: number | null
  /** What is being typed into the cell at hand. */
  typed: string | null
}>()
const emit = defineEmits<{
  press: [event: MouseEvent, column: number]
  open: [text: string]
  type: [text: string]
  fieldKey: [event: KeyboardEvent]
  finish: []
}>()
const settings = useSettings()
const byWork = computed(() => new Map(props.results.map((each) => [each.workId, each])))

const cells = computed(() =>
  props.columns.map(({ index, style }) => {
    const piece = props.work[index]
    const result = piece && byWork.value.get(piece.id)
    const remark = result?.remark ? `, ${result.remark}` : ''
    const told = result && piece ? spokenResult(result, piece.outOf) + remark : 'empty'
    return {
      column: index,
      style,
      text: result ? resultText(result) : '',
      remark: result?.remark ?? '',
      missing: result?.state === 'missing',
      share: piece && typeof result?.score === 'number' ? (result.score / piece.outOf) * 100 : null,
      spoken: `${props.student.usedName}, ${piece?.title ?? ''}: ${told}`,
    }
  }),
)
/** The tint of what stands out, beside its sign. */
function tintOf(share: number | null): string {
  const which = share === null ? null : standsOut(share, settings.own, null)
  return which === 'low' ? 'bg-needs-wash' : ''
}
const isChosen = (column: number): boolean =>
  props.left !== null && props.right !== null && column >= props.left && column <= props.right
</script>

<template>
  <div
    role="row"
    class="absolute left-0 w-full border-b border-rule contain-strict"
    :class="at === null ? '' : 'bg-teal-wash'"
  >
    <span
      role="rowheader"
      class="inline-block h-full truncate border-r border-rule px-2 leading-7"
      :class="at === null ? 'bg-paper' : 'bg-teal-wash font-semibold'"
      :style="{ width: `${nameWidth}px` }"
      >{{ settings.nameOf(student) }}</span
    >
    <!-- By place, not by work: when other columns come into view the cells stay and say something else. -->
    <div
      v-for="(cell, place) in cells"
      :id="`result-${row}-${cell.column}`"
      :key="place"
      role="gridcell"
      class="absolute top-0 flex h-full items-center justify-end gap-1 px-2 tabular-nums"
      :class="[
        isChosen(cell.column) ? 'bg-teal-wash' : tintOf(cell.share),
        cell.column === at ? 'outline-2 -outline-offset-2 outline-teal' : '',
      ]"
      :aria-colindex="cell.column + 2"
      :aria-selected="isChosen(cell.column)"
      :aria-label="cell.spoken"
      :title="cell.remark || undefined"
      :style="cell.style"
      @mousedown.left.prevent="emit('press', $event, cell.column)"
      @dblclick="emit('open', cell.text)"
    >
      <input
        v-if="typed !== null && cell.column === at"
        class="absolute inset-0 bg-sheet px-2 text-right outline-2 -outline-offset-2 outline-teal"
        :value="typed"
        :aria-label="cell.spoken"
        @input="emit('type', ($event.target as HTMLInputElement).value)"
        @keydown="emit('fieldKey', $event)"
        @mousedown.stop
        @blur="emit('finish')"
      />
      <template v-else>
        <StandsOut :percent="cell.share" />
        <span v-if="cell.remark" class="text-xs text-muted" aria-hidden="true">✎</span>
        <span :class="cell.missing ? 'text-needs' : ''">{{ cell.text }}</span>
      </template>
    </div>
  </div>
</template>
