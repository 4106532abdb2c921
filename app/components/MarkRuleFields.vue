<script setup lang="ts">
import { passLineOf, type MarkRules } from '~~/core/marks/markRules'
import type { Term } from '~~/core/record/term'

/** The choices that rules of marks are made of; what only belongs to another choice is shown with it. */
const { rules, terms } = defineProps<{
  rules: MarkRules
  /** Those of the year. */ terms: readonly Pick<Term, 'id' | 'name'>[]
  disabled: boolean
}>()
const emit = defineEmits<{ change: [part: Partial<MarkRules>] }>()

const choices = [
  {
    key: 'missing',
    title: 'Missing work',
    answers: { 'counts as zero': 'counts as zero', 'is left out': 'is left out' },
  },
  {
    key: 'late',
    title: 'Late work',
    answers: {
      'counts as it is': 'counts as it is',
      'loses some': 'loses some of its score',
      'is left out': 'is left out',
    },
  },
  {
    key: 'method',
    title: 'Marks add up',
    answers: { 'by category': 'by categories and their weights', 'by points': 'by points' },
  },
  {
    key: 'together',
    title: 'A category comes to',
    answers: {
      'mean': 'the mean of its results',
      'recency weighted': 'a mean where the newer weigh more',
      'most recent': 'its most recent result',
      'most frequent': 'the level reached most often',
      'median': 'the middle of its results',
    },
  },
  {
    key: 'letterFrom',
    title: 'The level is read off',
    answers: { unrounded: 'the exact mark', rounded: 'the rounded mark' },
  },
] as const
const shown = computed(() => choices.filter(({ key }) => key !== 'together' || rules.method === 'by category'))
const numberIn = (event: Event): number => Number(valueOf(event).replace(',', '.'))
/** A term of which nothing is said weighs as the others do. */
function weighTerm(term: string, typed: string): void {
  const { [term]: _before, ...others } = rules.termWeights
  const termWeights = typed.trim() === '' ? others : { ...others, [term]: Number(typed.replace(',', '.')) }
  emit('change', { termWeights })
}
const passLine = computed(() => passLineOf(rules))
</script>

<template>
  <fieldset class="mt-2 flex flex-wrap items-end gap-3 text-sm" :disabled="disabled">
    <legend class="sr-only">How marks are worked out</legend>
    <template v-for="{ key, title, answers } in shown" :key="key">
      <label class="grid gap-1"
        >{{ title }}
        <select class="field" :value="rules[key]" @change="emit('change', { [key]: valueOf($event) })">
          <option v-for="(words, value) in answers" :key="value" :value="value">{{ words }}</option>
        </select></label
      >
      <label v-if="key === 'late' && rules.late === 'loses some'" class="grid gap-1"
        >Per cent lost
        <input
          v-stands.asked="rules.lateLoss"
          class="field w-20"
          type="number"
          min="0"
          max="100"
          @change="emit('change', { lateLoss: numberIn($event) })"
      /></label>
      <label v-if="key === 'together' && rules.together === 'recency weighted'" class="grid gap-1"
        >Per cent of the newest
        <input
          v-stands.asked="rules.newestWeighs"
          class="field w-20"
          type="number"
          min="1"
          max="99"
          @change="emit('change', { newestWeighs: numberIn($event) })"
      /></label>
    </template>
    <label class="grid gap-1"
      >An exam weighs, per cent
      <input
        v-stands.asked="rules.exam?.weighs"
        class="field w-36"
        type="number"
        min="1"
        max="99"
        placeholder="as other work"
        @change="emit('change', { exam: valueOf($event) === '' ? null : { weighs: numberIn($event) } })"
    /></label>
    <label class="grid gap-1"
      >Decimals shown
      <input
        v-stands.asked="rules.decimals"
        class="field w-20"
        type="number"
        min="0"
        max="3"
        @change="emit('change', { decimals: numberIn($event) })"
    /></label>
    <label class="grid gap-1"
      >A pass is from, per cent
      <input
        v-stands.asked="rules.passLine"
        class="field w-44"
        type="number"
        min="0"
        max="100"
        :placeholder="`${passLine.percent}, as is common`"
        @change="emit('change', { passLine: valueOf($event) === '' ? null : numberIn($event) })"
    /></label>
    <label v-for="term in terms" :key="term.id" class="grid gap-1"
      >{{ term.name }} weighs
      <input
        v-stands.asked="rules.termWeights[term.id]"
        class="field w-24"
        type="number"
        min="0"
        max="1000"
        step="any"
        placeholder="1"
        @change="weighTerm(term.id, valueOf($event))"
    /></label>
    <label class="flex items-center gap-2 py-1.5"
      ><input
        type="checkbox"
        :checked="rules.extraCredit"
        @change="emit('change', { extraCredit: !rules.extraCredit })"
      />A mark may be above 100 %</label
    >
    <p v-if="rules.exam" class="w-full text-muted">
      Which category is the exam is ticked in each class, in Gather under <i>Work and weights</i>.
    </p>
  </fieldset>
</template>
