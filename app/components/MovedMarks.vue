<script setup lang="ts">
import type { MarkProposal } from '~~/core/record/markProposal'
import type { Student } from '~~/core/record/roster'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/**
 * Whose record has changed since their mark was settled: from what to what. The settled mark stays until it is decided,
 * once for each or for all.
 */
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

type Decision = 'take' | 'keep'
function decide(list: typeof moved, decision: Decision): void {
  classRecord.settleMarks(
    list.flatMap(({ student, proposal: { computed: now, settled } }) => {
      if (!settled) return []
      const { percent, special, reason } = settled
      const mark =
        decision === 'keep' ? { percent, special, reason } : { percent: now.percent, special: null, reason: null }
      return [{ studentId: student.id, subject, mark }]
    }),
  )
}
</script>

<template>
  <section v-if="moved.length > 0" class="needs grid gap-2 text-sm" aria-labelledby="moved-marks">
    <h2 id="moved-marks" class="font-semibold">
      The record has changed since
      {{ moved.length === 1 ? 'one mark was' : `${moved.length} marks were` }} settled. What is settled stays until you
      decide.
    </h2>
    <ul class="grid gap-1">
      <li v-for="each in moved" :key="each.student.id" class="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span class="min-w-48 flex-1"
          ><b class="font-semibold">{{ settings.nameOf(each.student) }}</b
          >: proposed {{ shown(each.proposal.movedFrom) }} then, {{ shown(each.proposal.computed.percent) }} now;
          settled {{ each.proposal.settled?.special ?? shown(each.proposal.settled?.percent) }}</span
        >
        <template v-if="may">
          <button
            type="button"
            class="quiet"
            :aria-label="`Take ${shown(each.proposal.computed.percent)} for ${each.student.usedName}`"
            @click="decide([each], 'take')"
          >
            Take {{ shown(each.proposal.computed.percent) }}
          </button>
          <button
            type="button"
            class="quiet"
            :aria-label="`Keep what is settled for ${each.student.usedName}`"
            @click="decide([each], 'keep')"
          >
            Keep {{ each.proposal.settled?.special ?? shown(each.proposal.settled?.percent) }}
          </button>
        </template>
      </li>
    </ul>
    <p v-if="may && moved.length > 1" class="flex gap-3">
      <button type="button" class="press" @click="decide(moved, 'take')">Take all {{ moved.length }}</button>
      <button type="button" class="quiet" @click="decide(moved, 'keep')">Keep all as settled</button>
    </p>
  </section>
</template>
