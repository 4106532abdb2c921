<script setup lang="ts">
import type { TermDays } from '~~/core/terms/schoolYear'

/** Terms with their days, each cell a field. */
const terms = defineModel<TermDays[]>({ required: true })
const days = [
  ['starts', 'First day'],
  ['ends', 'Last day'],
  ['progressDue', 'Progress reports due'],
  ['commentsDue', 'Comments due'],
  ['locks', 'Locks'],
] as const

function change(at: number, part: Partial<TermDays>): void {
  terms.value = terms.value.map((term, nth) => (nth === at ? { ...term, ...part } : term))
}
</script>

<template>
  <table class="w-full text-sm max-wide:block">
    <thead class="max-wide:sr-only">
      <tr class="border-b border-rule text-left text-muted">
        <th scope="col" class="py-1 pr-2 font-normal">Term</th>
        <th v-for="[key, title] in days" :key="key" scope="col" class="py-1 pr-2 font-normal">{{ title }}</th>
      </tr>
    </thead>
    <tbody class="max-wide:grid max-wide:gap-4">
      <tr v-for="(term, at) in terms" :key="at" class="max-wide:grid max-wide:grid-cols-2 max-wide:gap-2">
        <th scope="row" class="py-1 pr-2 font-normal max-wide:col-span-2">
          <input
            v-stands.asked="term.name"
            class="field w-full"
            :aria-label="`Name of term ${at + 1}`"
            @change="change(at, { name: ($event.target as HTMLInputElement).value })"
          />
        </th>
        <td v-for="[key, title] in days" :key="key" class="py-1 pr-2">
          <span class="wide:hidden">{{ title }}</span>
          <input
            v-stands.asked="term[key]"
            class="field w-full"
            type="date"
            :aria-label="`${title} of ${term.name}`"
            @change="change(at, { [key]: valueOf($event) || (key === 'progressDue' ? null : '') })"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>
