<script setup lang="ts">
import type { OwnSettings } from '~~/contracts/ownSettings'
import { markText } from '~~/core/marks/markText'
import { displayName } from '~~/core/people/names'
import { useSession } from '~/stores/session'
import { useSaving } from '~/stores/saving'
import { useSettings } from '~/stores/settings'

/** How the person who is signed in likes to work; each choice shows at once and is kept at once. */
definePageMeta({ layout: 'plain' })
useHead({ title: 'My settings · Facunda' })
const session = useSession()
const settings = useSettings()
const saving = useSaving()
const { problem, attempt } = useAttempt()
onMounted(() => saving.did(null))
onUnmounted(() => saving.did(null))

const change = (part: Partial<OwnSettings>): Promise<void> => attempt(() => settings.change(part))
const numberIn = (event: Event): number | null => (valueOf(event) === '' ? null : Number(valueOf(event)))
const example = { given: 'Maya', family: 'O’Rourke' }
const points = computed(() => settings.own.pointsOf)

/** One question with its answers; the words stand for themselves. */
const questions = computed(() => [
  {
    key: 'textSize' as const,
    title: 'Text',
    answers: [
      ['usual', 'as usual'],
      ['larger', 'larger'],
      ['largest', 'largest'],
    ],
  },
  {
    key: 'paper' as const,
    title: 'Page',
    answers: [
      ['as the device', 'as the device has it'],
      ['paper', 'paper'],
      ['dark', 'dark'],
    ],
  },
  {
    key: 'names' as const,
    title: 'Names in lists',
    answers: [
      ['given first', displayName(example)],
      ['family first', displayName(example, 'family first')],
    ],
  },
  {
    key: 'marksAs' as const,
    title: 'Marks',
    answers: (['percent', 'letter', 'points'] as const).map((marksAs) => [
      marksAs,
      markText(84, 'B', { marksAs, pointsOf: points.value }),
    ]),
  },
  {
    key: 'workOrder' as const,
    title: 'Pieces of work',
    answers: [
      ['newest first', 'newest first'],
      ['oldest first', 'oldest first'],
    ],
  },
  {
    key: 'opensOn' as const,
    title: 'After signing in',
    answers: [
      ['the desk', 'your desk'],
      ['where I was', 'where you were last'],
    ],
  },
])
</script>

<template>
  <main class="mx-auto max-w-3xl px-4 py-6 middle:px-6 middle:py-8">
    <div class="flex flex-wrap gap-x-4 text-sm text-muted">
      <NuxtLink to="/" class="link">Your desk</NuxtLink>
      <UndoLast :show="settings.load" />
      <span class="ml-auto">{{ session.person?.name }}</span>
    </div>
    <h1 class="mt-2 text-3xl font-semibold">My settings</h1>
    <p class="mt-2">
      They change what you see, on whatever device you sign in; never what is kept or what a family reads.
    </p>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <div v-if="settings.loaded" class="mt-4">
      <fieldset
        v-for="question in questions"
        :key="question.key"
        class="flex flex-wrap items-baseline gap-x-6 gap-y-1 border-t border-rule py-3"
      >
        <legend class="float-left w-40 font-semibold">{{ question.title }}</legend>
        <label v-for="[value, words] in question.answers" :key="value" class="flex items-baseline gap-2">
          <input
            type="radio"
            :name="question.key"
            :value="value"
            :checked="settings.own[question.key] === value"
            @change="change({ [question.key]: value })"
          />
          {{ words }}
        </label>
        <label v-if="question.key === 'marksAs' && settings.own.marksAs === 'points'" class="flex items-baseline gap-2"
          >of
          <input
            v-stands.asked="settings.own.pointsOf"
            class="field w-20"
            type="number"
            min="1"
            max="1000"
            aria-label="Of how many points"
            @change="change({ pointsOf: Number(valueOf($event)) })"
          />
          points</label
        >
      </fieldset>
      <fieldset class="flex flex-wrap items-baseline gap-x-6 gap-y-2 border-t border-rule py-3">
        <legend class="float-left w-40 font-semibold">What stands out</legend>
        <label class="flex items-baseline gap-2"
          ><span class="text-needs" aria-hidden="true">▾</span> below
          <input
            v-stands.asked="settings.own.lowBelow"
            class="field w-20"
            type="number"
            min="0"
            max="100"
            aria-label="Marked as low below"
            @change="change({ lowBelow: numberIn($event) })"
          />
          %</label
        >
        <label class="flex items-baseline gap-2"
          ><span class="text-teal" aria-hidden="true">▴</span> from
          <input
            v-stands.asked="settings.own.highFrom"
            class="field w-20"
            type="number"
            min="0"
            max="100"
            aria-label="Marked as high from"
            @change="change({ highFrom: numberIn($event) })"
          />
          % on</label
        >
        <span class="text-sm text-muted">Empty: nothing is marked.</span>
      </fieldset>
    </div>
  </main>
</template>
