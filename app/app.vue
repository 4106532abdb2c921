<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
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
// A field that is still being typed in when the page goes keeps what was typed, as if it had been left.
useEventListener(
  import.meta.client ? window : undefined,
  'pagehide',
  () => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
  },
  { capture: true },
)
</script>

<template>
  <NuxtRouteAnnouncer />
  <NuxtLayout>
    <NuxtPage />
  </NuxtLayout>
  <LeaveUnsaved />
</template>
