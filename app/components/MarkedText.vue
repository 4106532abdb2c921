<script setup lang="ts">
import { quotedWords, type Finding } from '~~/core/checks/finding'

/** A comment with the words that a check has found underlined. What is about the whole text is not marked in it. */
const props = defineProps<{ text: string; findings: Finding[] }>()

const pieces = computed(() => {
  const marks = props.findings
    .filter((finding) => quotedWords(finding, props.text) !== '')
    .toSorted((a, b) => a.start - b.start)
  const made: { text: string; why: string | null }[] = []
  let from = 0
  for (const mark of marks) {
    if (mark.start < from) continue
    made.push(
      { text: props.text.slice(from, mark.start), why: null },
      { text: props.text.slice(mark.start, mark.end), why: `${mark.check}: ${mark.why}` },
    )
    from = mark.end
  }
  return [...made, { text: props.text.slice(from), why: null }].filter((piece) => piece.text !== '')
})
</script>

<template>
  <template v-if="text === ''">—</template>
  <template v-for="(piece, at) in pieces" v-else :key="at"
    ><mark
      v-if="piece.why"
      class="bg-needs-wash text-ink underline decoration-needs decoration-2 underline-offset-2"
      :title="piece.why"
      >{{ piece.text }}</mark
    ><template v-else>{{ piece.text }}</template></template
  >
</template>
