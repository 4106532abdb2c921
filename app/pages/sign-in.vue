<script setup lang="ts">
definePageMeta({ layout: 'plain' })
useHead({ title: 'Sign in · Facunda' })
const route = useRoute()

async function goOn(): Promise<void> {
  const to = String(route.query.to ?? '/')
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
