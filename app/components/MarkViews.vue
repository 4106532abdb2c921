<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { useClassRecord } from '~/stores/classRecord'

/** Marks of one subject to settle, of all subjects beside each other, or of one subject over the terms. */
const classRecord = useClassRecord()
const chosen = useSessionStorage<'subject' | 'across' | 'terms'>('facunda.settle.marks', 'subject')
const views = computed(() => [
  ['subject', 'This subject'] as const,
  // A group has one subject.
  ...((classRecord.record?.subjects.length ?? 0) > 1 ? [['across', 'All subjects'] as const] : []),
  ...((classRecord.record?.earlier.length ?? 0) > 0 ? [['terms', 'All terms'] as const] : []),
])
const view = computed(() => (views.value.some(([key]) => key === chosen.value) ? chosen.value : 'subject'))
</script>

<template>
  <div class="grid grid-cols-1 gap-3">
    <fieldset v-if="views.length > 1" class="flex flex-wrap gap-x-5 text-sm">
      <legend class="sr-only">Which marks are shown</legend>
      <label v-for="[key, title] in views" :key="key" class="flex items-center gap-1.5"
        ><input type="radio" name="mark-view" :checked="view === key" @change="chosen = key" />{{ title }}</label
      >
    </fieldset>
    <MarksAcross v-if="view === 'across'" @open="chosen = 'subject'" />
    <MarksOverTerms v-else-if="view === 'terms'" />
    <MarkGrid v-else />
  </div>
</template>
