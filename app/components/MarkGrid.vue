<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { markComparisons } from '~~/core/record/markComparisons'
import { markProposal, type MarkProposal } from '~~/core/record/markProposal'
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'
import { useSettings } from '~/stores/settings'

/** Proposals beside settled marks. Enter on an empty cell takes the proposal; a number settles another. */
const classRecord = useClassRecord()
const settings = useSettings()
const { markShown, besideMark } = useMarks()
const view = useView()
const grid = useTemplateRef('grid')
const { problem, atEnd, leaveEnd, cellText, take, onKey, onLeave } = useTypedMarks()
/** The one row that the grid is entered by. */
const stop = ref(0)
const frame = useTemplateRef('frame')
const { width } = useElementSize(frame)
/** Where there is no room for columns, what the proposal is compared with stands under the name. */
const isNarrow = computed(() => width.value > 0 && width.value < 600)

const subject = computed(() => classRecord.subject)
const may = computed(() => subject.value !== null && classRecord.may.subjects.includes(subject.value.key))
const rules = computed(() => classRecord.index?.rulesOf(subject.value?.key ?? ''))
const decimals = computed(() => rules.value?.decimals ?? 0)
const rows = computed(() => {
  const { index, record } = classRecord
  const key = subject.value?.key
  return index && record && key
    ? classRecord.takers.map((student) => ({
        student,
        subject: key,
        rules: index.rulesOf(key),
        proposal: markProposal(index, student.id, key),
      }))
    : []
})
const moved = computed(() => rows.value.filter(({ proposal }) => proposal.movedFrom !== null))
const open = computed(() =>
  rows.value.filter(({ proposal }) => proposal.agreement === 'open' && proposal.computed.percent !== null),
)

const shown = (percent: number | null): string => markShown(percent, subject.value?.key ?? '', decimals.value)
const beside = computed(() => settings.own.comparisons.map((key) => ({ key, ...markComparisons[key] })))
const compared = (value: number | string | null): string =>
  value === null ? '—' : typeof value === 'string' ? value : shown(value)
const comparisons = (proposal: MarkProposal): string =>
  beside.value.map(({ short, found }) => `${short} ${compared(found(proposal))}`).join(' · ')
function onFocus(row: number, studentId: string): void {
  leaveEnd()
  stop.value = row
  view.kept.studentId = studentId
}

function focusRow(row: number): boolean {
  const inputs = grid.value?.querySelectorAll<HTMLInputElement>('input')
  const next = inputs?.[row]
  if (next) {
    next.focus()
    next.select()
  }
  return next !== undefined
}
</script>

<template>
  <div ref="frame" class="grid gap-3">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p class="text-sm text-muted">
        Enter takes the proposal. Type a number to settle another; empty the cell to take it back.
      </p>
      <MarkComparisons class="ml-auto" />
      <button v-if="may && open.length > 0" type="button" class="press" @click="take(open)">
        Take {{ open.length }} open {{ open.length === 1 ? 'proposal' : 'proposals' }}
      </button>
    </div>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <MovedMarks v-if="subject" :moved="moved" :subject="subject.key" :may="may" />
    <table ref="grid" class="w-full">
      <thead>
        <tr class="border-b border-edge text-sm text-muted">
          <th scope="col" class="py-1">Student</th>
          <th id="proposal-head" scope="col" class="text-right">Proposal</th>
          <th scope="col" class="pl-3" :class="isNarrow ? 'w-26' : 'w-32 pl-6'">Settled</th>
          <template v-if="!isNarrow">
            <th scope="col"><span class="sr-only">Standing</span></th>
            <th v-for="{ key, title } in beside" :key="key" scope="col" class="pl-4 text-right align-bottom">
              {{ title }}
            </th>
          </template>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(cell, row) in rows"
          :key="cell.student.id"
          class="border-b border-rule"
          :class="cell.student.id === classRecord.student?.id ? 'bg-teal-wash' : ''"
        >
          <th scope="row" class="py-0.5">
            {{ settings.nameOf(cell.student) }}
            <span v-if="isNarrow" class="block text-xs font-normal text-muted">{{ comparisons(cell.proposal) }}</span>
          </th>
          <td :id="`proposal-${cell.student.id}`" class="text-right whitespace-nowrap">
            <StandsOut :percent="cell.proposal.computed.percent" :decimals="decimals" />
            {{ shown(cell.proposal.computed.percent) }}
            <b class="inline-block w-4 font-semibold">{{ besideMark(cell.proposal.proposedLevel?.symbol) }}</b>
          </td>
          <td :class="isNarrow ? 'pl-3' : 'pl-6'">
            <input
              v-stands="cellText(cell)"
              class="field w-16 py-0 text-right"
              :class="cell.proposal.agreement === 'open' ? 'border-dashed' : ''"
              :disabled="!may"
              :aria-label="`Settled mark of ${cell.student.usedName} ${cell.student.family}`"
              :aria-describedby="`proposal-head proposal-${cell.student.id}`"
              inputmode="decimal"
              :tabindex="row === stop ? 0 : -1"
              @focus="onFocus(row, cell.student.id)"
              @pointerdown="leaveEnd"
              @keydown="onKey($event, cell, (by) => focusRow(row + by))"
              @change="onLeave($event, cell)"
            />
            <b class="ml-2 font-semibold">{{ cell.proposal.settledLevel?.symbol }}</b>
            <MarkAgreement v-if="isNarrow" :proposal="cell.proposal" class="block text-xs" />
          </td>
          <template v-if="!isNarrow">
            <td class="text-sm whitespace-nowrap"><MarkAgreement :proposal="cell.proposal" /></td>
            <td v-for="{ key, found } in beside" :key="key" class="pl-4 text-right text-muted">
              {{ compared(found(cell.proposal)) }}
            </td>
          </template>
        </tr>
      </tbody>
    </table>
    <p class="min-h-5 text-sm" role="status">{{ atEnd }}</p>
  </div>
</template>
