<script setup lang="ts">
import { percentText, roundHalfUp } from '~~/core/marks/rounding'
import type { WorkSpread } from '~/composables/useWorkSpread'

/** What stands above a column of results: the work, when it was done, out of how much, and how the class did. */
const { spread } = defineProps<{ spread: WorkSpread }>()
const emit = defineEmits<{ open: [] }>()
const shortDay = { day: 'numeric', month: 'short', timeZone: 'UTC' } as const

const about = computed(() => {
  const { date, outOf } = spread.piece
  const day = date === null ? '' : `${new Date(date).toLocaleDateString('en-GB', shortDay)}, `
  return `${day}of ${outOf}`
})
const middle = computed(() => {
  const { middle: half, low, high } = spread
  if (half === null || low === null || high === null) return 'no score yet'
  return `${percentText(half)} (${roundHalfUp(low)}–${roundHalfUp(high)})`
})
</script>

<template>
  <button
    type="button"
    tabindex="-1"
    class="line-clamp-2 text-left font-semibold hover:underline"
    :title="`${spread.piece.title}: look at it or change it`"
    @click="emit('open')"
  >
    {{ spread.piece.title }}
  </button>
  <span class="truncate text-xs text-muted">{{ about }}</span>
  <span class="truncate text-xs text-muted tabular-nums" title="The class’s middle result, and its middle half">{{
    middle
  }}</span>
</template>
