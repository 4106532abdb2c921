<script setup lang="ts">
import { useSession } from '~/stores/session'

const emit = defineEmits<{ signedIn: [] }>()
const session = useSession()
const name = ref('')
const password = ref('')
const { busy, problem, attempt } = useAttempt()

function send(): Promise<void> {
  return attempt(async () => {
    await session.signIn(name.value, password.value)
    emit('signedIn')
  })
}
</script>

<template>
  <form class="grid gap-3" data-keeps @submit.prevent="send">
    <label class="grid gap-1"
      >Name <input v-model="name" class="field" autocomplete="username" autocapitalize="none" required
    /></label>
    <label class="grid gap-1"
      >Password <input v-model="password" class="field" type="password" autocomplete="current-password" required
    /></label>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <button type="submit" class="press justify-center" :disabled="busy">Sign in</button>
  </form>
</template>
