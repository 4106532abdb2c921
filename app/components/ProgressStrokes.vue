<script setup lang="ts">
import { stages, type StudentProgress } from '~~/core/terms/progress'

/** Five small strokes, one per stage, inked as far as the student's work is done. */
const props = defineProps<{ progress: StudentProgress | undefined }>()

const parts = computed(() =>
  stages.map((stage) => {
    const { done, of } = props.progress?.[stage] ?? { done: 0, of: 1 }
    return { stage, part: of === 0 ? 0 : Math.min(1, done / of) }
  }),
)
const spoken = computed(() =>
  parts.value.map(({ stage, part }) => `${stage} ${part >= 1 ? 'done' : part > 0 ? 'begun' : 'open'}`).join(', '),
)
</script>

<template>
  <svg width="32" height="14" viewBox="0 0 32 14" role="img" :aria-label="spoken" class="shrink-0">
    <g v-for="({ stage, part }, at) in parts" :key="stage">
      <line :x1="at * 6.5 + 3" :x2="at * 6.5 + 3" y1="13" y2="2" stroke-width="1" class="stroke-rule" />
      <line
        v-if="part > 0"
        :x1="at * 6.5 + 3"
        :x2="at * 6.5 + 3"
        y1="13"
        :y2="13 - 11 * Math.max(part, 0.2)"
        :stroke-width="part >= 1 ? 3 : 1.6"
        class="stroke-teal"
      />
    </g>
  </svg>
</template>
