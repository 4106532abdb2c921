<script setup lang="ts">
import { askServer } from '~/composables/useApi'
import { useSession } from '~/stores/session'
import { useView } from '~/stores/view'

/** The demo school thrown away, and a school of one's own set up in its place. */
const session = useSession()
const view = useView()
const { busy, problem, attempt } = useAttempt()
const name = ref('')

function leave(): Promise<void> {
  return attempt(async () => {
    const { key } = await askServer<{ key: string }>('POST', '/api/demo/leave', { name: name.value })
    session.person = null
    view.forget()
    await navigateTo({ path: '/set-up', query: { key } })
  })
}
</script>

<template>
  <section aria-labelledby="leave-demo" class="border-t border-rule pt-4">
    <h3 id="leave-demo" class="font-semibold">Begin with your own school</h3>
    <p class="mt-1 max-w-160">
      This school is a demo: its people and children are invented. Throw it away, and this server is your school’s.
      Everything in it goes for good, and you set up your own at once.
    </p>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <form class="mt-3 flex flex-wrap items-end gap-3" @submit.prevent="leave">
      <label class="grid gap-1 text-sm"
        >The demo school’s name, typed once more <input v-model="name" class="field w-64" autocomplete="off" required
      /></label>
      <button type="submit" class="quiet" :disabled="busy">Throw the demo away</button>
    </form>
  </section>
</template>
