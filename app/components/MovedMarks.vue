<script setup lang="ts">
import type { MarkProposal } from '~~/core/record/markProposal'
import type { Student } from '~~/core/record/roster'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** Whose record has changed since their mark was settled, to be decided about. */
const { moved, subject } = defineProps<{
  moved: readonly { student: Student; proposal: MarkProposal }[]
  subject: string
  may: boolean
}>()
const classRecord = useClassRecord()
const settings = useSettings()
const { markShown } = useMarks()
const decimals = computed(() => classRecord.index?.rulesOf(subject).decimals ?? 0)
const shown = (percent: number | null | undefined): string => markShown(percent, subject, decimals.value)
const lines = computed(() =>
  moved.map(({ student, proposal }) => ({
    key: student.id,
    name: settings.nameOf(student),
    usedName: student.usedName,
    from: shown(proposal.movedFrom),
    to: shown(proposal.computed.percent),
    settled: proposal.settled?.special ?? shown(proposal.settled?.percent),
  })),
)

function decide(keys: readonly string[], decision: 'take' | 'keep'): void {
  classRecord.settleMarks(
    moved.flatMap(({ student, proposal: { computed: now, settled } }) => {
      if (!settled || !keys.includes(student.id)) return []
      const { percent, special, reason } = settled
      const mark =
        decision === 'keep' ? { percent, special, reason } : { percent: now.percent, special: null, reason: null }
      return [{ studentId: student.id, subject, mark }]
    }),
  )
}
</script>

<template>
  <MovedSettled what="mark" :lines="lines" :may="may" @decide="decide" />
</template>
