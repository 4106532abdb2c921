<script setup lang="ts">
import { planCells, type GivenCell } from '~~/core/exchange/gradebook/planCells'
import { percentText } from '~~/core/marks/rounding'
import { resultText } from '~~/core/marks/resultText'
import type { PieceOfWork } from '~~/core/marks/work'
import { markProposal } from '~~/core/record/markProposal'
import { indexRecord } from '~~/core/record/recordIndex'
import { withResults } from '~~/core/record/resultPlaces'
import { useClassRecord } from '~/stores/classRecord'

/** Other results for one student, tried out: where the mark would go. Nothing counts until it is kept. */
const props = defineProps<{ studentId: string; subject: string; work: readonly PieceOfWork[] }>()
const emit = defineEmits<{ done: [] }>()
const classRecord = useClassRecord()
const may = computed(() => classRecord.may.subjects.includes(props.subject))
/** What is typed, by piece of work; what is not here is as it stands. */
const typed = ref<Record<string, string>>({})
const student = computed(() => classRecord.index?.student(props.studentId))

const textNow = (workId: string): string => {
  const result = classRecord.index?.resultOf(workId, props.studentId)
  return result ? resultText(result) : ''
}
const tried = computed(() =>
  props.work.flatMap((piece): { piece: PieceOfWork; cells: GivenCell[]; problems: string[] }[] => {
    const text = typed.value[piece.id]
    if (text === undefined || text.trim() === textNow(piece.id) || !student.value) return []
    const remarkAt = (workId: string, id: string) => classRecord.index?.resultOf(workId, id)?.remark ?? ''
    const grid = { students: [student.value], work: [piece], remarkAt }
    return [{ piece, ...planCells([[text]], { row: 0, column: 0 }, grid) }]
  }),
)
const cells = computed(() => tried.value.flatMap((each) => each.cells))
const problemOf = (workId: string): string =>
  tried.value.find(({ piece }) => piece.id === workId)?.problems.join(' ') ?? ''
const wrong = computed(() => tried.value.some(({ problems }) => problems.length > 0))

const marks = computed(() => {
  const { record, index } = classRecord
  if (!record || !index) return null
  const then = indexRecord({ ...record, results: withResults(record.results, cells.value) })
  const [now, thereafter] = [index, then].map((each) => markProposal(each, props.studentId, props.subject))
  const { decimals } = index.rulesOf(props.subject)
  const words = (proposal: typeof now): string =>
    proposal === undefined || proposal.computed.percent === null
      ? 'no mark'
      : `${percentText(proposal.computed.percent, decimals)} ${proposal.proposedLevel?.symbol ?? ''}`.trim()
  return { now: words(now), then: words(thereafter) }
})

function keep(): void {
  if (wrong.value || cells.value.length === 0) return
  classRecord.giveResults(cells.value)
  emit('done')
}
</script>

<template>
  <form
    class="grid gap-2 border-2 border-dashed border-teal p-3"
    aria-label="What if"
    data-keeps
    @submit.prevent="keep"
  >
    <p><b class="font-semibold">What if?</b> Type other results and see where the mark goes. None of it counts yet.</p>
    <ul>
      <li v-for="piece in work" :key="piece.id" class="flex flex-wrap items-center gap-2 border-b border-rule py-1">
        <label class="flex min-w-0 flex-1 items-center gap-2"
          ><span class="min-w-0 flex-1">{{ piece.title }}</span>
          <input
            class="field w-20 py-0.5 text-right"
            :class="tried.some((each) => each.piece.id === piece.id) ? 'outline-1 outline-teal' : ''"
            :value="typed[piece.id] ?? textNow(piece.id)"
            @input="typed[piece.id] = ($event.target as HTMLInputElement).value"
        /></label>
        <span class="w-10 text-muted">/ {{ piece.outOf }}</span>
        <span v-if="problemOf(piece.id)" class="w-full text-needs" role="alert">{{ problemOf(piece.id) }}</span>
      </li>
    </ul>
    <p v-if="marks" class="flex gap-2 font-semibold" role="status">
      <span class="flex-1">Proposal</span>{{ marks.now
      }}<template v-if="cells.length > 0"><span aria-label="becomes">→</span> {{ marks.then }}</template>
    </p>
    <div class="flex flex-wrap gap-2">
      <button v-if="may" type="submit" class="press" :disabled="wrong || cells.length === 0">
        Keep {{ cells.length === 1 ? 'this result' : `${cells.length} results` }}
      </button>
      <button type="button" class="quiet" @click="emit('done')">Throw away</button>
    </div>
  </form>
</template>
