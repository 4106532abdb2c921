<script setup lang="ts">
/**
 * Words of a phrase in which a slot may stand: {#best work} is shown as what it stands for, words that may be left out
 * in brackets.
 */
const props = defineProps<{ text: string }>()
const pieces = computed(() =>
  props.text
    .split(/(\{[^{}]*\}|[[\]])/)
    .filter(Boolean)
    .map((words) => ({
      kind: words.startsWith('{') ? 'slot' : /^[[\]]$/.test(words) ? 'bracket' : 'words',
      words: words.replace(/^\{#?|\}$/g, ''),
    })),
)
</script>

<template>
  <template v-for="(piece, at) in pieces" :key="at"
    ><span
      v-if="piece.kind === 'slot'"
      class="border-b border-dashed border-edge font-sans text-[0.85em] text-muted"
      title="comes from the record"
      >{{ piece.words }}</span
    ><span v-else-if="piece.kind === 'bracket'" class="text-muted" title="left out where it is not known">{{
      piece.words
    }}</span
    ><template v-else>{{ piece.words }}</template></template
  >
</template>
