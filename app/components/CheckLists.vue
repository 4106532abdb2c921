<script setup lang="ts">
import type { CheckSettings } from '~~/core/school/checkSettings'
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'

/** What the school's checks look for: every list can be edited, a line or a word at a time. */
const classRecord = useClassRecord()
const phrasebook = usePhrasebook()
const { busy, problem, attempt } = useAttempt()
const may = computed(() => classRecord.may.phrasebook)
const checks = computed(() => classRecord.record?.school.checks)
const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)

function save(part: Partial<CheckSettings>): Promise<void> {
  const was = checks.value
  return attempt(() => phrasebook.change('PUT', 'checks', { checks: { ...was, ...part }, was }))
}

function value(event: Event): string {
  return (event.target as HTMLInputElement | HTMLTextAreaElement).value
}

function notWanted(event: Event): Promise<void> {
  return save({
    notWanted: lines(value(event)).map((line) => {
      const [words = '', instead = ''] = line.split('→').map((part) => part.trim())
      return { words, instead }
    }),
  })
}

function privateMatters(event: Event): Promise<void> {
  return save({
    privateMatters: lines(value(event)).map((line) => {
      const [about = '', words = ''] = line.split(':').map((part) => part.trim())
      return {
        about,
        words: words
          .split(',')
          .map((word) => word.trim())
          .filter(Boolean),
      }
    }),
  })
}
</script>

<template>
  <section v-if="checks" aria-label="Checks" class="grid max-w-180 gap-4 text-sm">
    <label class="flex items-center gap-2"
      ><input
        type="checkbox"
        :checked="checks.nameWanted"
        :disabled="!may || busy"
        @change="save({ nameWanted: !checks.nameWanted })"
      />
      Every comment names the student</label
    >
    <label class="flex items-center gap-2"
      >No harder to read than grade
      <input
        v-stands="checks.readingTarget"
        type="number"
        min="1"
        max="20"
        class="field w-16"
        :disabled="!may || busy"
        @change="save({ readingTarget: Number(value($event)) })"
      />
      (Flesch–Kincaid)</label
    >
    <label class="grid gap-1"
      >Words not wanted, a line each; after → what may be said instead
      <textarea
        v-stands="
          checks.notWanted.map((each) => (each.instead ? `${each.words} → ${each.instead}` : each.words)).join('\n')
        "
        rows="6"
        class="field font-serif"
        :readonly="!may"
        @change="notWanted"
      />
    </label>
    <label class="grid gap-1"
      >Private matters, a line for each: what it touches on, a colon, the words
      <textarea
        v-stands="checks.privateMatters.map((each) => `${each.about}: ${each.words.join(', ')}`).join('\n')"
        rows="6"
        class="field font-serif"
        :readonly="!may"
        @change="privateMatters"
      />
    </label>
    <label class="grid gap-1"
      >Words that are spelled right here, such as place names
      <textarea
        v-stands="checks.knownWords.join('\n')"
        rows="3"
        class="field font-serif"
        :readonly="!may"
        @change="save({ knownWords: lines(value($event)) })"
      />
    </label>
    <p v-if="!may" class="text-muted">The coordinator changes these.</p>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
  </section>
</template>
