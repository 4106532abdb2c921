<script setup lang="ts">
import type { SubjectRow } from '~~/contracts/ownSetup'
import { nameOfStrand, renameStrand } from '~~/core/school/strand'

/** What the strands of a subject are called. Plans, phrases and comments that speak of one go along. */
const props = defineProps<{ subject: SubjectRow; strands: readonly string[] }>()
const emit = defineEmits<{ write: [names: SubjectRow['strandNames']] }>()

function rename(key: string, name: string): void {
  emit('write', renameStrand(props.subject.strandNames, key, name.trim()))
}
</script>

<template>
  <details v-if="strands.length > 0" class="mt-3 text-sm">
    <summary class="link w-fit cursor-pointer">
      Strands: {{ strands.map((key) => nameOfStrand(subject, key)).join(', ') }}
    </summary>
    <p class="mt-1 text-muted">
      Another name is used from now on wherever the strand is spoken of; nothing else changes.
    </p>
    <ul class="mt-1 flex flex-wrap gap-2">
      <li v-for="key in strands" :key="key">
        <input
          v-stands.asked="nameOfStrand(subject, key)"
          class="field w-40"
          :aria-label="`Name of the strand ${nameOfStrand(subject, key)}`"
          @change="rename(key, valueOf($event))"
        />
      </li>
    </ul>
  </details>
</template>
