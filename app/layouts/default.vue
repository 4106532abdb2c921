<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useSession } from '~/stores/session'
import { useView } from '~/stores/view'

const classRecord = useClassRecord()
const saving = useSaving()
const session = useSession()
const view = useView()
const route = useRoute()
/** A class without students has no work; the phrasebook needs one to show phrases with. */
const nobody = computed(() => classRecord.record?.students.length === 0)
const { marginFolded, listFolded, sheet } = useFrame()

onMounted(async () => {
  await saving.takeUp()
  if (!view.desk) await view.loadDesk()
  await classRecord.load()
})
watch(
  () => route.path,
  (path) => {
    view.kept.stage = path.slice(1)
    sheet.value = null
  },
  { immediate: true },
)

/** Straight to the first cell, or the editor; else to the work as a whole. */
function skip(): void {
  const main = document.querySelector('main')
  const work = main?.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"], textarea, table input')
  ;(work ?? main)?.focus()
}

// Alt M, Alt L and Alt J: the margin, the class list and a note that is jotted down, there and away.
useEventListener('keydown', (event: KeyboardEvent) => {
  if (!event.altKey || event.ctrlKey || event.metaKey) return
  if (event.code === 'KeyM') {
    event.preventDefault()
    if (marginFolded.value) sheet.value = sheet.value === 'margin' ? null : 'margin'
    else view.kept.margin = !view.kept.margin
  } else if (event.code === 'KeyJ') {
    event.preventDefault()
    sheet.value = sheet.value === 'note' ? null : 'note'
  } else if (event.code === 'KeyL') {
    event.preventDefault()
    if (listFolded.value) sheet.value = sheet.value === 'list' ? null : 'list'
    else document.querySelector<HTMLElement>('nav[aria-label="Class list"] [aria-current="true"]')?.focus()
  }
})
</script>

<template>
  <div class="flex min-h-dvh flex-col middle:h-dvh">
    <button type="button" class="press sr-only focus:not-sr-only focus:absolute focus:z-20" @click="skip">
      To the work
    </button>
    <StageBar />
    <ContextLine />
    <p v-if="saving.trouble" class="needs" role="alert">{{ saving.trouble }}</p>
    <RefusedWork />
    <p v-if="classRecord.problem" class="needs" role="alert">{{ classRecord.problem }}</p>
    <div class="flex min-h-0 flex-1">
      <ClassList v-if="view.desk && classRecord.record" />
      <main class="relative min-w-0 flex-1 middle:overflow-y-auto" tabindex="-1">
        <div v-if="classRecord.record && nobody" class="max-w-160 px-5 py-8">
          <h1 class="text-xl font-semibold">Nobody is in {{ classRecord.record.classRoom.name }} yet</h1>
          <p v-if="session.person?.setsUp" class="mt-2">
            Paste the class list, and the work can begin.
            <NuxtLink to="/school/classes" class="link">Classes and students</NuxtLink>
          </p>
          <p v-else class="mt-2">The coordinator adds the students; ask for it, and the work can begin.</p>
        </div>
        <slot v-else-if="classRecord.record" />
      </main>
      <aside id="margin" aria-label="Margin" class="hidden shrink-0 wide:block" />
    </div>
    <NoteSheet v-if="classRecord.record && !nobody" />
    <SignInAgain />
  </div>
</template>
