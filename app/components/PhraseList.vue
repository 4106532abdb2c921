<script setup lang="ts">
import { isTold } from '~~/core/record/phraseCoverage'
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'

/** The phrases of the place in view. */
const phrasebook = usePhrasebook()
const nameOfAbout = useNameOfAbout()
const classRecord = useClassRecord()
const told = computed(() => {
  const { record, box } = classRecord
  return record && box && phrasebook.place ? isTold(record, box.subject, phrasebook.place) : false
})
</script>

<template>
  <section v-if="phrasebook.place" aria-label="Phrases here">
    <div class="flex items-baseline gap-3 border-b border-edge pb-1">
      <h2 class="font-semibold">
        {{ phrasebook.place.part
        }}<template v-if="phrasebook.place.about !== 'any'"> · {{ nameOfAbout(phrasebook.place.about) }}</template>
      </h2>
      <span class="text-sm text-muted"
        >{{ phrasebook.here.length }} {{ phrasebook.here.length === 1 ? 'wording' : 'wordings' }}</span
      >
      <button type="button" class="press ml-auto" @click="phrasebook.begin()">Write a phrase</button>
    </div>
    <ul>
      <li v-for="phrase in phrasebook.here" :key="phrase.id" class="border-b border-rule">
        <button
          type="button"
          class="w-full px-2 py-1.5 text-left"
          :aria-pressed="phrase.id === phrasebook.phrase?.id"
          :class="phrase.id === phrasebook.phrase?.id ? 'bg-teal-wash' : ''"
          @click="phrasebook.phrase = phrase"
        >
          <PhraseWords :text="phrase.text" />
          <span v-if="phrase.owner !== null" class="ml-2 text-xs text-teal">yours</span>
          <span v-if="phrase.tone" class="ml-2 text-xs text-muted">{{ phrase.tone }}</span>
        </button>
      </li>
    </ul>
    <p v-if="phrasebook.here.length === 0" class="py-3 text-sm">
      {{
        told
          ? 'No phrase is needed here: it is told in the school’s own words.'
          : 'There is no phrase here yet, so this part is left out of comments at this level.'
      }}
    </p>
  </section>
  <p v-else class="text-sm text-muted">Choose a number above to see and change its phrases.</p>
</template>
