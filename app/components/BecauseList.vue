<script setup lang="ts">
import { useClassRecord } from '~/stores/classRecord'

/** Why each composed sentence is there. */
const props = defineProps<{ box: string }>()
const classRecord = useClassRecord()

const comment = computed(() => (classRecord.student ? classRecord.index?.commentOf(classRecord.student.id, props.box) : undefined))
const lines = computed(() => (comment.value?.sentences ?? []).map((sentence) => ({ text: comment.value?.text.slice(sentence.start, sentence.end) ?? '', because: sentence.because })))
</script>

<template>
  <div v-if="comment?.text">
    <p class="small-head">Because</p>
    <ul>
      <li v-for="(line, at) in lines" :key="at" class="border-b border-rule py-1">
        <p class="font-serif">{{ line.text.length > 70 ? `${line.text.slice(0, 68)} …` : line.text }}</p>
        <p v-for="(each, which) in line.because" :key="which" class="text-muted">{{ each.text }}</p>
      </li>
    </ul>
    <p v-if="comment.ownWords" class="mt-1 text-muted">{{ lines.length === 0 ? 'These are your own words; nothing in them was composed.' : 'The other sentences are your own words.' }}</p>
  </div>
</template>
