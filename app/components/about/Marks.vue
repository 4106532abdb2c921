<script setup lang="ts">
import { markProposal } from '~~/core/record/markProposal'
import { earlierOfYear, yearSoFar } from '~~/core/record/yearSoFar'
import { subjectsTaken } from '~~/core/record/takers'
import { termsSoFar } from '~~/core/record/overTerms'
import type { Student } from '~~/core/record/roster'
import { useClassRecord } from '~/stores/classRecord'

/** One student's marks in each subject over the terms; those of this term are settled here too. */
const props = defineProps<{ student: Student; chosen: string | undefined }>()
const emit = defineEmits<{ choose: [subject: string] }>()
const classRecord = useClassRecord()
const isMeeting = useIsMeeting()
const { markShown, besideMark, symbolOf } = useMarks()
const section = useTemplateRef('section')
const { problem, atEnd, leaveEnd, cellText, onKey, onLeave } = useTypedMarks()
const at = ref(0)

const terms = computed(() => (classRecord.index ? termsSoFar(classRecord.index).slice(0, -1) : []))
const rows = computed(() => {
  const { index, record } = classRecord
  if (!index || !record) return []
  return subjectsTaken(index, props.student.id).map((subject) => {
    const rules = index.rulesOf(subject.key)
    return {
      name: subject.name,
      subject: subject.key,
      student: props.student,
      rules,
      proposal: markProposal(index, props.student.id, subject.key),
      before: earlierOfYear(record).map(({ marks }) =>
        marks.find((mark) => mark.studentId === props.student.id && mark.subject === subject.key),
      ),
      soFar: yearSoFar(index, props.student.id, subject.key).findLast(({ isSettled }) => isSettled || !isMeeting),
      may: classRecord.may.subjects.includes(subject.key),
    }
  })
})
type Row = (typeof rows.value)[number]

const settledText = ({ proposal: { settled, settledLevel }, subject, rules }: Row): string =>
  settled?.special ?? `${markShown(settled?.percent, subject, rules.decimals)} ${besideMark(settledLevel?.symbol)}`

function onFocus(nth: number): void {
  leaveEnd()
  at.value = nth
}

function focus(nth: number): boolean {
  const input = section.value?.querySelectorAll('input')[nth]
  input?.focus()
  input?.select()
  return input !== undefined
}
</script>

<template>
  <section ref="section" aria-label="Marks" class="grid gap-2">
    <h2 class="text-lg font-semibold">Marks</h2>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <PlainTable>
      <template #heads>
        <th scope="col" class="py-1">Subject</th>
        <th v-for="term in terms" :key="term" scope="col" class="px-2 text-right">{{ term }}</th>
        <th v-if="!isMeeting" scope="col" class="px-2 text-right">Adds up to</th>
        <th scope="col" class="px-2 text-right">{{ isMeeting ? classRecord.record?.term.name : 'Settled' }}</th>
        <th v-if="terms.length > 0" scope="col" class="pl-2 text-right">Year so far</th>
      </template>
      <tr
        v-for="(row, nth) in rows"
        :key="row.subject"
        class="border-b border-rule"
        :class="row.subject === chosen ? 'bg-teal-wash' : ''"
      >
        <th scope="row" class="py-0.5 font-normal">
          <button
            type="button"
            class="text-left underline decoration-rule underline-offset-4"
            :aria-pressed="row.subject === chosen"
            @click="emit('choose', row.subject)"
          >
            {{ row.name }}
          </button>
        </th>
        <td v-for="(mark, term) in row.before" :key="term" class="px-2 text-right text-muted">
          {{ mark?.special ?? markShown(mark?.percent, row.subject, row.rules.decimals) }}
        </td>
        <td v-if="!isMeeting" class="px-2 text-right whitespace-nowrap">
          {{ markShown(row.proposal.computed.percent, row.subject, row.rules.decimals) }}
          {{ besideMark(row.proposal.proposedLevel?.symbol) }}
        </td>
        <td class="px-2 text-right whitespace-nowrap">
          <template v-if="row.may && !isMeeting">
            <MarkAgreement :proposal="row.proposal" class="mr-1 text-xs" />
            <input
              v-stands="cellText(row)"
              class="field w-14 py-0 text-right"
              :class="row.proposal.agreement === 'open' ? 'border-dashed' : ''"
              :aria-label="`Settled mark in ${row.name}`"
              inputmode="decimal"
              :tabindex="nth === at ? 0 : -1"
              @focus="onFocus(nth)"
              @pointerdown="leaveEnd"
              @keydown="onKey($event, row, (by) => focus(nth + by))"
              @change="onLeave($event, row)"
            />
            <b class="ml-1 inline-block w-3 font-semibold">{{ row.proposal.settledLevel?.symbol }}</b>
          </template>
          <template v-else>{{ settledText(row) }}</template>
        </td>
        <td v-if="terms.length > 0" class="pl-2 text-right whitespace-nowrap">
          {{ markShown(row.soFar?.soFar, row.subject, row.rules.decimals) }}
          {{ row.soFar ? besideMark(symbolOf(row.soFar.soFar, row.subject)) : '' }}
        </td>
      </tr>
    </PlainTable>
    <p class="min-h-5 text-sm" role="status">{{ atEnd }}</p>
  </section>
</template>
