<script setup lang="ts">
import type { SetUpAnswer } from '~~/contracts/setUp'
import { askServer } from '~/composables/useApi'
import { useSettings } from '~/stores/settings'
import { useView } from '~/stores/view'

definePageMeta({ layout: 'plain' })
useHead({ title: 'Sign in · Facunda' })
const route = useRoute()
const settings = useSettings()
const view = useView()
// Nobody can sign in where there is no school yet.
onMounted(async () => {
  if ((await askServer<SetUpAnswer>('GET', '/api/set-up')).needed) await navigateTo('/set-up')
})

async function goOn(): Promise<void> {
  await settings.load()
  const usual = settings.own.opensOn === 'where I was' && view.kept.classId ? `/${view.kept.stage}` : '/'
  const to = String(route.query.to ?? usual)
  await navigateTo(to.startsWith('/') && !to.startsWith('//') ? to : '/')
}
</script>

<template>
  <main class="mx-auto grid max-w-sm gap-6 px-4 pt-28">
    <h1 class="flex items-center gap-3 text-2xl font-semibold">
      <img src="/mark.svg" alt="" width="36" height="36" /> Facunda
    </h1>
    <p class="font-serif text-lg">Reports that are true, kind and finished before midnight.</p>
    <SignInForm @signed-in="goOn" />
  </main>
</template>
