<script setup lang="ts">
import { useSession } from '~/stores/session'
import { useOwnSchool } from '~/stores/ownSchool'
import { useSaving } from '~/stores/saving'
import { useView } from '~/stores/view'

/** The place where the coordinator keeps the school: people, classes, days, and all that is set up. */
definePageMeta({ layout: 'plain' })
useHead({ title: 'School · Facunda' })
const route = useRoute()
const session = useSession()
const school = useOwnSchool()
const saving = useSaving()
const view = useView()
const parts = [
  ['people', 'People'],
  ['classes', 'Classes and students'],
  ['terms', 'Terms'],
  ['subjects', 'Subjects and skills'],
  ['scales', 'Scales'],
  ['habits', 'Habits'],
  ['boxes', 'Comment boxes'],
  ['report', 'Marks and report'],
  ['folder', 'School folder'],
  ['privacy', 'Families’ data'],
] as const
const part = computed(() => String(route.params.part || 'people'))
onMounted(() => (session.person?.setsUp ? school.loadYears() : undefined))
// What can be undone here is what was done here.
onMounted(() => saving.did(null))
onUnmounted(() => saving.did(null))
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 middle:px-6 middle:py-8">
    <div class="flex flex-wrap gap-x-4 text-sm text-muted">
      <NuxtLink to="/" class="link">Your desk</NuxtLink>
      <UndoLast :show="school.loadAll" />
      <span class="ml-auto">{{ session.person?.name }}</span>
    </div>
    <div class="mt-2 flex flex-wrap items-baseline gap-4">
      <h1 class="text-3xl font-semibold">School</h1>
      <label v-if="school.years.length > 1" class="flex items-baseline gap-2 text-sm"
        >Year
        <select class="field" :value="view.schoolYear" @change="school.chooseYear(valueOf($event))">
          <option v-for="year in school.years" :key="year.id" :value="year.id">{{ year.name }}</option>
        </select></label
      >
    </div>
    <nav aria-label="Parts of the school" class="mt-4 flex flex-wrap gap-x-5 gap-y-1 border-b border-rule">
      <NuxtLink
        v-for="[key, title] in parts"
        :key="key"
        :to="key === 'people' ? '/school' : `/school/${key}`"
        class="border-b-2 pb-2"
        :class="part === key ? 'border-teal font-semibold text-teal' : 'border-transparent'"
        :aria-current="part === key ? 'page' : undefined"
        >{{ title }}</NuxtLink
      >
    </nav>
    <SchoolPeople v-if="part === 'people'" class="mt-6" />
    <SchoolClasses v-else-if="part === 'classes'" class="mt-6" />
    <SchoolTerms v-else-if="part === 'terms'" class="mt-6" />
    <SchoolSubjects v-else-if="part === 'subjects'" class="mt-6" />
    <SchoolScales v-else-if="part === 'scales'" class="mt-6" />
    <SchoolHabits v-else-if="part === 'habits'" class="mt-6" />
    <SchoolBoxes v-else-if="part === 'boxes'" class="mt-6" />
    <SchoolReport v-else-if="part === 'report'" class="mt-6" />
    <SchoolFolder v-else-if="part === 'folder'" class="mt-6" />
    <SchoolPrivacy v-else-if="part === 'privacy'" class="mt-6" />
    <p v-else class="mt-6">There is no such part of the school.</p>
  </main>
</template>
