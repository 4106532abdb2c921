<script setup lang="ts">
import type { WelcomeAnswer } from '~~/contracts/people'
import { askServer } from '~/composables/useApi'
import { useSession } from '~/stores/session'

definePageMeta({ layout: 'plain' })
useHead({ title: 'Welcome · Facunda', meta: [{ name: 'referrer', content: 'no-referrer' }] })
const path = `/api/welcome/${String(useRoute().params.token)}`
const session = useSession()
const welcome = shallowRef<WelcomeAnswer | null>(null)
const password = ref('')
const { busy, problem, attempt } = useAttempt()

onMounted(() =>
  attempt(async () => {
    welcome.value = await askServer<WelcomeAnswer>('GET', path)
  }),
)

function choose(): Promise<void> {
  return attempt(async () => {
    await askServer('POST', path, { password: password.value })
    await session.signIn(welcome.value?.signIn ?? '', password.value)
    await navigateTo('/')
  })
}
</script>

<template>
  <main class="mx-auto grid max-w-md gap-5 px-4 pt-20">
    <h1 class="flex items-center gap-3 text-2xl font-semibold">
      <img src="/mark.svg" alt="" width="36" height="36" /> Welcome<template v-if="welcome"
        >, {{ welcome.given }}</template
      >
    </h1>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <form v-if="welcome" class="grid gap-3" @submit.prevent="choose">
      <p class="font-serif text-lg">
        You sign in to {{ welcome.school }} as <strong>{{ welcome.signIn }}</strong>. Choose a password; nobody else
        sees it.
      </p>
      <input class="hidden" autocomplete="username" :value="welcome.signIn" tabindex="-1" aria-hidden="true" />
      <NewPassword v-model="password" />
      <button type="submit" class="press justify-center" :disabled="busy">Choose this password and go in</button>
    </form>
    <NuxtLink v-else-if="problem" to="/sign-in" class="link">To the sign-in</NuxtLink>
  </main>
</template>
