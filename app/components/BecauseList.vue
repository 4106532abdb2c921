<script setup lang="ts">
import { fidelity, type Fidelity } from '~~/core/narrative/followEdits'
import { unsaidParts } from '~~/core/narrative/unsaid'
import { draftRequest } from '~~/core/record/narrativeFacts'
import { useClassRecord } from '~/stores/classRecord'

/** Why each composed sentence is there, and whether that can still be said after the teacher's changes. */
const props = defineProps<{ box: string }>()
const classRecord = useClassRecord()
const nameOfAbout = useNameOfAbout()

const comment = computed(() =>
  classRecord.student ? classRecord.index?.commentOf(classRecord.student.id, props.box) : undefined,
)
const lines = computed(() =>
  (comment.value?.sentences ?? []).map((sentence) => {
    const text = comment.value?.text ?? ''
    return {
      text: text.slice(sentence.start, sentence.end) || sentence.composed,
      because: sentence.because,
      state: fidelity(sentence, text),
    }
  }),
)
/**
 * What the plan would have it say and it does not; of a comment that was never composed there is nothing to compare.
 */
const unsaid = computed(() => {
  const { index, student } = classRecord
  const box = index?.record.boxes.find((each) => each.key === props.box)
  if (!index || !student || !box || (comment.value?.sentences.length ?? 0) === 0) return []
  return unsaidParts(comment.value?.sentences ?? [], draftRequest(index, student, box), index.record.phrasebook)
})
const notes: Record<Fidelity, string> = {
  'as composed': '',
  'changed': 'Changed by you; it came from:',
  'own words': 'Your own words by now; it can no longer be traced to:',
  'taken out': 'Taken out by you; it came from:',
}
</script>

<template>
  <div v-if="comment?.text">
    <p class="small-head">Because</p>
    <ul>
      <li v-for="(line, at) in lines" :key="at" class="border-b border-rule py-1">
        <p class="font-serif" :class="line.state === 'taken out' ? 'line-through' : ''">
          {{ line.text.length > 70 ? `${line.text.slice(0, 68)} …` : line.text }}
        </p>
        <p v-if="notes[line.state]" class="text-xs">{{ notes[line.state] }}</p>
        <p v-for="(each, which) in line.because" :key="which" class="text-muted">{{ each.text }}</p>
      </li>
    </ul>
    <div v-if="unsaid.length > 0" class="mt-3">
      <p class="small-head">Not said</p>
      <ul>
        <li v-for="each in unsaid" :key="`${each.part} ${each.about}`" class="border-b border-rule py-1">
          {{ each.part
          }}<template v-if="!['any', 'mark'].includes(each.about)"> · {{ nameOfAbout(each.about) }}</template
          ><span class="block text-muted">{{ each.why }}</span>
        </li>
      </ul>
    </div>
    <p v-if="comment.ownWords && lines.length === 0" class="mt-1 text-muted">
      These are your own words; nothing in them was composed.
    </p>
  </div>
</template>
