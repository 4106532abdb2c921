<script setup lang="ts">
import { addDays } from '~~/core/addDays'
import { usualDays } from '~~/core/terms/schoolYear'
import type { TermDays } from '~~/core/terms/schoolYear'
import { useOwnSchool } from '~/stores/ownSchool'

/** The days of the year's terms. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
onMounted(() => attempt(school.loadYear))
const days = (term: TermDays): TermDays => {
  const { name, starts, ends, progressDue = null, commentsDue, locks } = term
  return { name, starts, ends, progressDue, commentsDue, locks }
}
const terms = computed({
  get: () => (school.year?.terms ?? []).map(days),
  set: (changed) => {
    const at = changed.findIndex((term, nth) => JSON.stringify(term) !== JSON.stringify(terms.value[nth]))
    const was = school.year?.terms[at]
    const term = changed[at]
    if (was && term) void attempt(() => school.writeTerm(was.id, term, days(was)))
  },
})

/** A year that was made too early can go, while nothing is recorded in it. */
const isLastOfSeveral = computed(() => school.years.length > 1 && school.years.at(-1)?.id === school.year?.year.id)

function add(): Promise<void> {
  const last = terms.value.at(-1)
  const year = school.year?.year
  const starts = last ? addDays(last.ends, 1) : (year?.starts ?? '')
  const ends = year && starts < year.ends ? year.ends : addDays(starts, 60)
  const term = { name: `Term ${terms.value.length + 1}`, starts, ends, ...usualDays(ends) }
  return attempt(() => school.writeTerm(crypto.randomUUID(), term, null))
}
</script>

<template>
  <section aria-labelledby="terms">
    <h2 id="terms" class="text-xl font-semibold">Terms of {{ school.year?.year.name }}</h2>
    <p class="mt-1 max-w-160">
      From the day on which a term locks nothing of it can be changed; put the day later to open all of it again.
    </p>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <TermDaysTable v-model="terms" class="mt-4 max-w-5xl" />
    <p class="mt-3 flex gap-4">
      <button type="button" class="quiet" :disabled="busy" @click="add">Add a term</button>
      <button v-if="isLastOfSeveral" type="button" class="link" :disabled="busy" @click="attempt(school.removeYear)">
        Take {{ school.year?.year.name }} away
      </button>
    </p>
    <SchoolReopenings class="mt-10" />
    <NextYear class="mt-10" />
  </section>
</template>
