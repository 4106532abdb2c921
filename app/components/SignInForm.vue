<script setup lang="ts">
import { useSession } from '~/stores/session'

const emit = defineEmits<{ signedIn: [] }>()
const session = useSession()
const name = ref('')
const password = ref('')
const message = ref('')
const busy = ref(false)

async function send(): Promise<void> {
  busy.value = true
  message.value = ''
  try {
    await session.signIn(name.value, password.value)
    emit('signedIn')
  } catch (problem) {
    message.value = problem instanceof Error ? problem.message : String(problem)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="grid gap-3" @submit.prevent="send">
    <label class="grid gap-1">Name <input v-model="name" class="field" autocomplete="username" autocapitalize="none" required></label>
    <label class="grid gap-1">Password <input v-model="password" class="field" type="password" autocomplete="current-password" required></label>
    <p v-if="message" class="needs" role="alert">{{ message }}</p>
    <button type="submit" class="press justify-center" :disabled="busy">Sign in</button>
  </form>
</template>
