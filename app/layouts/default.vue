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

const refusedText = computed(() => saving.refused?.problem.message)
const isConflict = computed(() => saving.refused?.problem.status === 409)

/** What was refused is still on the screen until things are shown as they stand. */
async function closeRefused(): Promise<void> {
  saving.refused = null
  await classRecord.load()
}

async function showConflict(): Promise<void> {
  const { studentId, box } = (saving.refused?.work.body ?? {}) as { studentId?: string; box?: string }
  if (studentId) view.kept.studentId = studentId
  if (box) classRecord.chooseBox(box)
  await navigateTo('/write')
}
</script>

<template>
  <div class="flex h-dvh flex-col">
    <StageBar />
    <ContextLine />
    <p v-if="saving.trouble" class="needs" role="alert">{{ saving.trouble }}</p>
    <div v-if="isConflict && route.path !== '/write'" class="needs flex gap-4" role="alert">
      <span>Two versions of a comment are waiting for you.</span>
      <button type="button" class="link" @click="showConflict">Look at them</button>
    </div>
    <div v-if="refusedText && !isConflict" class="needs flex gap-4" role="alert">
      <span>Not saved: {{ refusedText }}</span>
      <button type="button" class="link" @click="closeRefused">Show what is saved</button>
    </div>
    <p v-if="classRecord.problem" class="needs" role="alert">{{ classRecord.problem }}</p>
    <div class="flex min-h-0 flex-1">
      <ClassList />
      <main class="min-w-0 flex-1 overflow-y-auto" tabindex="-1"><slot v-if="classRecord.record" /></main>
      <aside id="margin" aria-label="Margin" class="shrink-0" />
    </div>
    <SignInAgain />
  </div>
</template>
