<script setup lang="ts">
import { useSession } from '~/stores/session'
import { usePeople } from '~/stores/people'
import { useSaving } from '~/stores/saving'

definePageMeta({ layout: 'plain' })
useHead({ title: 'School · Facunda' })
const session = useSession()
const people = usePeople()
const saving = useSaving()
const { problem, attempt } = useAttempt()
onMounted(() => attempt(people.load))
// What can be undone here is what was done here.
onMounted(() => saving.did(null))
onUnmounted(() => saving.did(null))
</script>

<template>
  <main class="mx-auto max-w-6xl px-4 py-6 middle:px-6 middle:py-8">
    <div class="flex flex-wrap gap-x-4 text-sm text-muted">
      <NuxtLink to="/" class="link">Your desk</NuxtLink>
      <UndoLast :show="people.load" />
      <span class="ml-auto">{{ session.person?.name }}</span>
    </div>
    <h1 class="mt-2 text-3xl font-semibold">School</h1>
    <p v-if="problem" class="needs mt-4" role="alert">{{ problem }}</p>
    <section v-if="people.answer" class="mt-6" aria-labelledby="people">
      <h2 id="people" class="text-xl font-semibold">People</h2>
      <p class="mt-1 max-w-160">
        Who signs in, and who teaches what in {{ people.answer.year }}. Everybody chooses their own password by a link
        that you hand them; nobody else ever sees it.
      </p>
      <StaffList class="mt-4" />
      <StaffForm class="mt-6" />
    </section>
  </main>
</template>
