<script setup lang="ts">
import { useClassRecord } from '~/stores/classRecord'

/** What a child reached in questions that show one skill, over all pieces of work, oldest first. */
const props = defineProps<{ skill: string; studentId: string }>()
const classRecord = useClassRecord()
const lines = computed(() => {
  const { index, record } = classRecord
  const subject = record?.skills.find(({ id }) => id === props.skill)?.subject
  if (!index || subject === undefined) return []
  return index.workOf(subject).flatMap((work) => {
    const scores = new Map(index.answersOf(work.id, props.studentId).map(({ number, score }) => [number, score]))
    return index.questionsOf(work.id).flatMap(({ number, words, skill, outOf }) => {
      const score = scores.get(number)
      return skill === props.skill && score !== undefined ? [{ work, number, words, outOf, score }] : []
    })
  })
})
</script>

<template>
  <div v-if="lines.length > 0">
    <p class="small-head">Questions that show it</p>
    <ul>
      <li
        v-for="{ work, number, words, outOf, score } in lines"
        :key="`${work.id} ${number}`"
        class="flex gap-2 py-0.5"
      >
        <span class="min-w-0 flex-1"
          >{{ work.title }}, {{ number }}{{ words ? `. ${words}` : ''
          }}<span v-if="work.date" class="block text-xs text-muted">{{ work.date }}</span></span
        >
        <span>{{ score }} / {{ outOf }}</span>
      </li>
    </ul>
  </div>
</template>
