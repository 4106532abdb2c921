<script setup lang="ts">
import { parsePhrase, writePhrase, type Token } from '~~/core/narrative/notation'
import { frameOfPhrase } from '~~/core/narrative/frame/frameOfPhrase'
import { she } from '~~/core/people/pronouns'

/** A phrase as a sentence about Maya, with the words that vary marked. */
const props = defineProps<{ text: string }>()

const pieces = computed(() => {
  try {
    const { text, pieces: marked } = frameOfPhrase(parsePhrase(props.text), 'Maya', she)
    const made: { text: string; marked: boolean }[] = []
    let from = 0
    for (const piece of marked) {
      made.push({ text: text.slice(from, piece.start), marked: false }, { text: text.slice(piece.start, piece.end), marked: true })
      from = piece.end
    }
    return [...made, { text: text.slice(from), marked: false }].filter((piece) => piece.text !== '')
  } catch {
    return [{ text: writePhrase([{ kind: 'words', text: props.text } satisfies Token]), marked: false }]
  }
})
</script>

<template>
  <span class="font-serif"><template v-for="(piece, at) in pieces" :key="at"><span v-if="piece.marked" class="border-b border-teal text-teal">{{ piece.text }}</span><template v-else>{{ piece.text }}</template></template></span>
</template>
