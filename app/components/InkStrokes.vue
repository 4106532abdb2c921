<script setup lang="ts">
/** A level as ink strokes: so many tall ones out of the scale's length. Always beside its symbol, never alone. */
defineProps<{ filled: number; of: number }>()
</script>

<template>
  <svg
    :width="of * 5"
    height="12"
    :viewBox="`0 0 ${of * 5} 12`"
    aria-hidden="true"
    class="inline-block shrink-0 align-[-1px]"
  >
    <line
      v-for="stroke in of"
      :key="stroke"
      :x1="stroke * 5 - 3"
      :x2="stroke * 5 - 3"
      y1="11"
      :y2="stroke <= filled ? 1.5 : 8"
      :stroke-width="stroke <= filled ? 2.4 : 1"
      :class="stroke <= filled ? 'stroke-teal' : 'stroke-edge'"
    />
  </svg>
</template>
