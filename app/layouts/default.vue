<script setup lang="ts">
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useView } from '~/stores/view'

const classRecord = useClassRecord()
const saving = useSaving()
const view = useView()
const route = useRoute()

onMounted(async () => {
  await saving.takeUp()
  if (!view.desk) await view.loadDesk()
  await classRecord.load()
})
watch(
  () => route.path,
  (path) => {
    view.kept.stage = path.slice(1)
  },
  { immediate: true },
)
</script>

<template>
  <div class="flex h-dvh flex-col">
    <StageBar />
    <ContextLine />
    <p v-if="saving.trouble" class="needs" role="alert">{{ saving.trouble }}</p>
    <RefusedWork />
    <p v-if="classRecord.problem" class="needs" role="alert">{{ classRecord.problem }}</p>
    <div class="flex min-h-0 flex-1">
      <ClassList />
      <main class="min-w-0 flex-1 overflow-y-auto" tabindex="-1"><slot v-if="classRecord.record" /></main>
      <aside id="margin" aria-label="Margin" class="shrink-0" />
    </div>
    <SignInAgain />
  </div>
</template>
