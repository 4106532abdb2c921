<script setup lang="ts">
import { percentText } from '~~/core/marks/rounding'
import { markProposal } from '~~/core/record/markProposal'
import { useClassRecord } from '~/stores/classRecord'

/** A mark that differs from the proposal: both numbers, the reason, and the way back. */
const classRecord = useClassRecord()
const shown = useShown()

const proposal = computed(() => {
  const { index, student } = shown.value
  const { subject } = classRecord
  return index && student && subject ? markProposal(index, student.id, subject.key) : null
})
const settled = computed(() => proposal.value?.settled)
const may = computed(() => classRecord.subject !== null && classRecord.may.subjects.includes(classRecord.subject.key))

function setReason(reason: string): void {
  const { student } = shown.value
  const { subject } = classRecord
  if (!student || !subject || !settled.value) return
  const { percent, special, proposed = null } = settled.value
  const mark = { percent, special, reason: reason.trim() || null, proposed }
  classRecord.settleMarks([{ studentId: student.id, subject: subject.key, mark }])
}

function goBack(): void {
  const { student } = shown.value
  const { subject } = classRecord
  const percent = proposal.value?.computed.percent
  if (!student || !subject || percent === null || percent === undefined) return
  classRecord.settleMarks([
    { studentId: student.id, subject: subject.key, mark: { percent, special: null, reason: null } },
  ])
}
</script>

<template>
  <div class="mb-4 grid gap-2">
    <div
      v-if="proposal && (proposal.agreement === 'differs' || proposal.agreement === 'special')"
      class="needs grid gap-2 text-sm"
    >
      <p>
        You settled <b>{{ settled?.special ?? (settled?.percent == null ? '' : percentText(settled.percent)) }}</b>; the
        record adds up to
        <b>{{ proposal.computed.percent === null ? 'nothing yet' : percentText(proposal.computed.percent) }}</b>. Only
        you and your colleagues see this.
      </p>
      <label class="grid gap-1"
        >Reason (optional)
        <input
          v-stands="settled?.reason ?? ''"
          class="field"
          :disabled="!may"
          maxlength="300"
          @change="setReason(($event.target as HTMLInputElement).value)"
      /></label>
      <button
        v-if="may && proposal.computed.percent !== null"
        type="button"
        class="quiet justify-self-start"
        @click="goBack"
      >
        Back to the computed mark
      </button>
    </div>
    <ValueHistory
      v-if="shown.student && classRecord.subject"
      of="mark"
      :student-id="shown.student.id"
      :about="classRecord.subject.key"
    />
  </div>
</template>
