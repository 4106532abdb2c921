<script setup lang="ts">
import { parsePhrase } from '~~/core/narrative/notation'
import { frameOfPhrase } from '~~/core/narrative/frame/frameOfPhrase'
import { frameParts } from '~~/core/narrative/frame/recogniseFrame'
import { she } from '~~/core/people/pronouns'

/** A phrase as a sentence about Maya, with the words that vary marked. Only phrases that can be read are kept. */
const props = defineProps<{ text: string }>()
const parts = computed(() => frameParts(frameOfPhrase(parsePhrase(props.text), 'Maya', she)))
</script>

<template>
  <span class="font-serif"
    ><template v-for="(part, at) in parts" :key="at"
      ><span v-if="part.piece" class="border-b border-teal text-teal">{{ part.text }}</span
      ><SlotWords v-else :text="part.text" /></template
  ></span>
</template>
