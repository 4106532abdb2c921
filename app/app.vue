<script setup lang="ts">
import { useSaving } from '~/stores/saving'
import { useSession } from '~/stores/session'

const session = useSession()
const saving = useSaving()

// On whatever page somebody is: what was left unsent goes out.
onMounted(() => {
  watch(
    () => session.person?.id,
    (id) => {
      if (id !== undefined) void saving.takeUp()
    },
    { immediate: true },
  )
})
</script>

<template>
  <NuxtRouteAnnouncer />
  <NuxtLayout>
    <NuxtPage />
  </NuxtLayout>
</template>
