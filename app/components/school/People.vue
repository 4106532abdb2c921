<script setup lang="ts">
import { usePeople } from '~/stores/people'

/** Who signs in, and who teaches what. */
const people = usePeople()
const { problem, attempt } = useAttempt()
onMounted(() => attempt(people.load))
</script>

<template>
  <section aria-labelledby="people">
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <template v-if="people.answer">
      <h2 id="people" class="text-xl font-semibold">People</h2>
      <p class="mt-1 max-w-160">
        Who signs in, and who teaches what in {{ people.answer.year }}. Everybody chooses their own password by a link
        that you hand them; nobody else ever sees it.
      </p>
      <StaffList class="mt-4" />
      <StaffForm class="mt-6" />
    </template>
  </section>
</template>
