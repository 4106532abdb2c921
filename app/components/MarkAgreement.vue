<script setup lang="ts">
import type { MarkProposal } from '~~/core/record/markProposal'

/** How a settled mark stands to the proposal, in a word; nothing where it is the proposal. */
defineProps<{ proposal: MarkProposal }>()
</script>

<template>
  <span v-if="proposal.agreement === 'differs'" class="text-needs" :title="proposal.settled?.reason ?? ''"
    >differs</span
  >
  <span v-else-if="proposal.agreement === 'special'" class="text-muted">{{ proposal.settled?.special }}</span>
  <span v-else-if="proposal.agreement === 'open'" class="text-muted">open</span>
</template>
