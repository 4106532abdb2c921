<script setup lang="ts">
import { countGraphemes } from '~~/core/narrative/graphemes'
import { offersFor, withOffer, type Offer } from '~~/core/narrative/offers'
import type { CommentBox } from '~~/core/narrative/plan'
import type { Student } from '~~/core/record/roster'
import { draftRequest } from '~~/core/record/narrativeFacts'
import { offerOf } from '~/keys/keyTable'
import { useClassRecord } from '~/stores/classRecord'

/**
 * Sentences of the phrasebook that say more than the record does: only somebody who has seen it can say them, and takes
 * them with one key.
 */
const props = defineProps<{ student: Student; box: CommentBox }>()
const classRecord = useClassRecord()

/** So many are in sight, each with a key of its own. */
const inSight = 4

const comment = computed(() => classRecord.index?.commentOf(props.student.id, props.box.key))
const from = ref(0)
const full = ref(false)
watch(
  () => [props.student.id, props.box.key],
  () => {
    from.value = 0
    full.value = false
  },
)
const offers = computed(() => {
  const { index } = classRecord
  if (!index || !comment.value || comment.value.text === '') return []
  const used = new Set(comment.value.sentences.flatMap(({ phraseIds }) => phraseIds))
  return offersFor(draftRequest(index, props.student, props.box), index.record.phrasebook, used)
})
const shown = computed(() =>
  Array.from({ length: Math.min(inSight, offers.value.length) }, (_, nth) => {
    const offer = offers.value[(from.value + nth) % offers.value.length]
    return offer ? [offer] : []
  }).flat(),
)

function take(offer: Offer): void {
  const now = comment.value
  if (!now) return
  const { text, sentences } = withOffer(now, offer)
  full.value = countGraphemes(text) > props.box.limit
  if (full.value) return
  // What somebody has taken is never drafted away: the text is the teacher's from here on.
  classRecord.writeComment({ ...now, text, sentences, ownWords: true, status: 'in draft' })
}

/** Takes the offer whose key was pressed; false where the key is no offer's. */
function takeByKey(event: KeyboardEvent): boolean {
  const nth = offerOf(event)
  const offer = nth === null ? undefined : shown.value[nth]
  if (offer) take(offer)
  return nth !== null
}
defineExpose({ takeByKey })
</script>

<template>
  <section v-if="offers.length > 0" aria-labelledby="offered">
    <div class="mb-1 flex flex-wrap items-baseline gap-x-3">
      <h2 id="offered" class="small-head">Only if you have seen it</h2>
      <p class="text-sm text-muted">The record does not say this; you may know it.</p>
      <button
        v-if="offers.length > inSight"
        type="button"
        class="link ml-auto text-sm"
        @click="from = (from + inSight) % offers.length"
      >
        Other sentences
      </button>
    </div>
    <ul>
      <li
        v-for="(offer, nth) in shown"
        :key="offer.phraseId"
        class="flex items-baseline gap-3 border-b border-rule py-1"
      >
        <kbd class="whitespace-nowrap text-xs text-muted">Alt {{ nth + 1 }}</kbd>
        <p class="font-serif">{{ offer.sentence.composed }}</p>
        <button type="button" class="quiet ml-auto shrink-0 py-0.5 text-sm" @click="take(offer)">
          Take it<span class="sr-only">: {{ offer.sentence.composed }}</span>
        </button>
      </li>
    </ul>
    <p v-if="full" class="mt-1 text-sm text-needs" role="alert">
      No more fits in this box; shorten the comment before you take it.
    </p>
  </section>
</template>
