<script setup lang="ts">
import type { Draft } from '~~/core/narrative/because'
import { proposeInStep } from '~~/core/narrative/outOfStep'
import type { CommentBox } from '~~/core/narrative/plan'
import type { Student } from '~~/core/record/roster'
import { draftRequest } from '~~/core/record/narrativeFacts'
import { useClassRecord } from '~/stores/classRecord'

/**
 * A comment whose facts have changed since: what no longer holds, what would be said today, and the teacher's choice.
 */
const props = defineProps<{ student: Student; box: CommentBox; may: boolean }>()
const classRecord = useClassRecord()

const comment = computed(() => classRecord.index?.commentOf(props.student.id, props.box.key))
const proposal = computed(() => {
  const { index } = classRecord
  if (!index || !comment.value || comment.value.text === '') return null
  return proposeInStep(
    comment.value.text,
    comment.value.sentences,
    draftRequest(index, props.student, props.box),
    index.record.phrasebook,
  )
})
const facts = computed(() =>
  (proposal.value?.stale ?? []).map(({ then, now }) => ({
    then: then.map((each) => each.text).join('; '),
    now: now.map((each) => each.text).join('; ') || 'nothing is settled',
  })),
)

/** One line, so that the comment stays in sight, until the teacher wants to know more. */
const isOpen = ref(false)
watch(
  () => [props.student.id, props.box.key],
  () => {
    isOpen.value = false
  },
)

/** Puts every new sentence in its place. */
function bringIntoStep({ text, sentences }: Pick<Draft, 'text' | 'sentences'>): void {
  classRecord.rewrite(props.student.id, props.box.key, text, sentences)
}
</script>

<template>
  <section v-if="proposal" aria-label="Out of step" class="needs grid gap-2">
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
      <p class="font-semibold">This comment is out of step with what is settled.</p>
      <button type="button" class="link text-sm" :aria-expanded="isOpen" @click="isOpen = !isOpen">
        {{ isOpen ? 'Show less' : 'Show what has changed' }}
      </button>
      <button
        v-if="may && proposal.merged"
        type="button"
        class="press ml-auto py-1"
        @click="bringIntoStep(proposal.merged)"
      >
        Bring it into step
      </button>
    </div>
    <template v-if="isOpen">
      <ul class="text-sm">
        <li v-for="(fact, at) in facts" :key="at">Written from “{{ fact.then }}”. Today: {{ fact.now }}.</li>
      </ul>
      <p class="font-serif">
        <template v-for="(piece, at) in proposal.pieces" :key="at">
          <span v-if="piece.kind === 'kept'">{{ piece.text }}</span>
          <template v-else-if="piece.kind === 'new'"
            ><del class="text-muted">{{ piece.instead }}</del>
            <ins class="bg-teal-wash">{{ piece.text }}</ins></template
          >
          <del v-else-if="piece.kind === 'removed'" class="text-muted">{{ piece.instead }}</del>
          <span v-else class="border-b-2 border-needs"
            ><span class="sr-only">Yours:</span>{{ piece.mine || '(taken out)' }} <span class="text-xs">or</span>
            <ins class="bg-teal-wash">{{ piece.proposed || '(nothing)' }}</ins></span
          >
        </template>
      </p>
      <p v-if="may && !proposal.merged" class="flex flex-wrap gap-x-3 gap-y-1">
        <button type="button" class="press" @click="bringIntoStep(proposal.overMine)">Take the new sentences</button>
        <span class="self-center text-sm">or leave your own words and change them by hand</span>
      </p>
    </template>
  </section>
</template>
