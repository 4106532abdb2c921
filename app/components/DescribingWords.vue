<script setup lang="ts">
import { tiers, type Tier } from '~~/core/scales/tier'
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'

/** The interchangeable describing words of each level: any of them may stand in any phrase that has the slot. */
const classRecord = useClassRecord()
const phrasebook = usePhrasebook()
const { busy, problem, attempt } = useAttempt()
const may = computed(() => classRecord.may.phrasebook)
/** The names that the school's scales have for a tier: "Excellent, Leading". */
const namesOf = (tier: Tier): string =>
  [
    ...new Set(
      (classRecord.record?.scales ?? []).flatMap((scale) =>
        scale.levels.filter((level) => level.tier === tier).map((level) => level.name),
      ),
    ),
  ].join(', ') || tier
const wordsOf = (tier: Tier): string[] => classRecord.record?.phrasebook.describing[tier] ?? []

function save(tier: Tier, event: Event): Promise<void> {
  const words = (event.target as HTMLInputElement).value.split(/[\s,]+/).filter(Boolean)
  return attempt(() => phrasebook.change('PUT', 'phrasebook/describing', { tier, words, was: wordsOf(tier) }))
}
</script>

<template>
  <section aria-label="Describing words" class="grid max-w-160 gap-3">
    <p class="text-sm">
      Any word of a level may stand where a phrase has a describing word, so choose words that can be exchanged for one
      another. None stands twice in a comment.
    </p>
    <label v-for="tier in [...tiers].reverse()" :key="tier" class="grid gap-1 text-sm"
      >{{ namesOf(tier) }}
      <input
        v-stands="wordsOf(tier).join(', ')"
        class="field font-serif text-base"
        :readonly="!may"
        :disabled="busy"
        @change="save(tier, $event)"
      />
    </label>
    <p v-if="!may" class="text-sm text-muted">The coordinator changes these.</p>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
  </section>
</template>
