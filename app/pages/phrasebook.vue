<script setup lang="ts">
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'

useHead({ title: 'Phrasebook · Facunda' })
const classRecord = useClassRecord()
const phrasebook = usePhrasebook()
const views = ['phrases', 'plan', 'describing words', 'checks', 'files'] as const
const route = useRoute()
const shown = ref<(typeof views)[number]>(views.find((each) => each === route.query.part) ?? 'phrases')
const { marginFolded, sheet } = useFrame()
// Where the margin is folded, a phrase that is chosen or begun comes up.
watch(
  () => phrasebook.phrase?.id,
  (id) => {
    if (id !== undefined && marginFolded.value) sheet.value = 'margin'
  },
)
watch(
  () => classRecord.box?.key,
  () => {
    phrasebook.place = null
    phrasebook.phrase = null
  },
)
</script>

<template>
  <div v-if="classRecord.box" class="grid content-start gap-4 p-3 middle:p-5">
    <div class="flex flex-wrap items-baseline gap-x-5 gap-y-1">
      <h1 class="text-xl font-semibold">Phrasebook</h1>
      <div role="group" aria-label="Part of the phrasebook" class="flex flex-wrap gap-x-4">
        <button
          v-for="each in views"
          :key="each"
          type="button"
          :aria-pressed="each === shown"
          :class="each === shown ? 'font-semibold text-teal underline underline-offset-4' : ''"
          @click="shown = each"
        >
          {{ each }}
        </button>
      </div>
      <NuxtLink to="/write" class="link ml-auto text-sm">Back to writing</NuxtLink>
    </div>
    <BoxChooser v-if="shown === 'phrases' || shown === 'plan'" />
    <template v-if="shown === 'phrases'"><PhraseCoverage /><PhraseList /></template>
    <PlanEditor v-else-if="shown === 'plan'" />
    <DescribingWords v-else-if="shown === 'describing words'" />
    <CheckLists v-else-if="shown === 'checks'" />
    <PhraseExchange v-else />
    <MarginPanel v-if="shown === 'phrases'" title="Phrase">
      <PhraseEditor v-if="phrasebook.phrase" :key="phrasebook.phrase.id" :phrase="phrasebook.phrase" />
      <p v-else class="text-sm text-muted">
        A phrase that you choose or write stands here, with how it reads for four students of the class.
      </p>
    </MarginPanel>
  </div>
</template>
