<script setup lang="ts">
/**
 * A level as ink strokes: so many tall ones out of the scale's length. Always beside its symbol, never alone. They are
 * drawn as backgrounds: a class has hundreds of them, and a picture for each would be looked at anew with every key.
 */
const { filled, of } = defineProps<{ filled: number; of: number }>()
const style = computed(() => ({
  width: `${of * 5}px`,
  backgroundSize: `${filled * 5}px 9.5px, ${(of - filled) * 5}px 3px`,
}))
</script>

<template>
  <span aria-hidden="true" class="ink-strokes" :style="style" />
</template>
