<script setup lang="ts">
import { useSaving } from '~/stores/saving'
import { useSession } from '~/stores/session'
import { useSettings } from '~/stores/settings'

const session = useSession()
const saving = useSaving()
const settings = useSettings()

// On whatever page somebody is: what was left unsent goes out.
onMounted(() => {
  watch(
    () => session.person?.id,
    (id) => {
      if (id === undefined) return
      void saving.takeUp()
      void settings.load()
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
