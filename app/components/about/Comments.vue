<script setup lang="ts">
import { earlierOfYear } from '~~/core/record/yearSoFar'
import type { Student } from '~~/core/record/roster'
import { useClassRecord } from '~/stores/classRecord'

/** What was written about a student, this term's first; in a meeting what is finished. */
const props = defineProps<{ student: Student }>()
const classRecord = useClassRecord()
const isMeeting = useIsMeeting()
const terms = computed(() => {
  const { record } = classRecord
  if (!record) return []
  const names = new Map(record.boxes.map(({ key, name }) => [key, name]))
  return [record, ...earlierOfYear(record).toReversed()]
    .map(({ term, comments }) => ({
      term,
      comments: comments
        .filter(({ studentId, text }) => studentId === props.student.id && text !== '')
        .filter(({ status }) => !isMeeting || term.id !== record.term.id || status === 'finished')
        .map((comment) => ({ ...comment, name: names.get(comment.box) }))
        .filter(({ name }) => name !== undefined),
    }))
    .filter(({ comments }) => comments.length > 0)
})
</script>

<template>
  <section v-if="terms.length > 0" aria-label="Comments" class="grid content-start gap-3">
    <h2 class="text-lg font-semibold">Comments</h2>
    <details v-for="({ term, comments }, at) in terms" :key="term.id" :open="at === 0">
      <summary class="text-sm text-muted">{{ term.name }}</summary>
      <div v-for="comment in comments" :key="comment.box" class="mt-2 max-w-160">
        <h3 class="small-head">
          {{ comment.name }}<template v-if="!isMeeting && comment.status === 'in draft'">, in draft</template>
        </h3>
        <p class="font-serif">{{ comment.text }}</p>
      </div>
    </details>
  </section>
</template>
