<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { isTyping, pressed } from '~/keys/keyTable'
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
const { others } = useLive()
const main = useTemplateRef('main')
/** The stage from which one came to a student's page. */
let cameFrom = 'settle'

onMounted(async () => {
  await saving.takeUp()
  if (!view.desk) await view.loadDesk()
  await classRecord.load()
  // Called by one key from anywhere: it is there when it is wanted.
  setTimeout(() => void preloadRouteComponents('/student'), 1000)
})
watch(
  () => route.path,
  (path, before) => {
    if (path === '/student') cameFrom = before?.slice(1) ?? cameFrom
    else view.kept.stage = path.slice(1)
    sheet.value = null
    // Each stage opens at its top, wherever the one before was left.
    if (path !== before) main.value?.scrollTo(0, 0)
  },
  { immediate: true },
)

/** Straight to the first cell, or the editor; else to the work as a whole. */
function skip(): void {
  const main = document.querySelector('main')
  const work = main?.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"], textarea, table input')
  ;(work ?? main)?.focus()
}

/** A sheet that a key calls and puts away. */
function turn(which: NonNullable<typeof sheet.value>): void {
  sheet.value = sheet.value === which ? null : which
}

/** To the page of the student in view, or back to where one came from. */
async function aboutStudent(): Promise<void> {
  if (route.path === '/student') await navigateTo(`/${cameFrom}`)
  else await navigateTo('/student')
}
function onKey(event: KeyboardEvent): void {
  if (pressed(event, 'margin')) {
    if (marginFolded.value) turn('margin')
    else view.kept.margin = !view.kept.margin
  } else if (pressed(event, 'list')) {
    if (listFolded.value) turn('list')
    else document.querySelector<HTMLElement>('nav[aria-label="Class list"] [aria-current="true"]')?.focus()
  } else if (pressed(event, 'note')) turn('note')
  else if (pressed(event, 'student')) void aboutStudent()
  else if (pressed(event, 'goTo')) turn('go to')
  else if (pressed(event, 'keys') && !isTyping(event)) turn('keys')
  else return
  event.preventDefault()
  event.stopPropagation()
}
// Before a grid takes a sign for what is typed into a cell.
useEventListener('keydown', onKey, { capture: true })
</script>

<template>
  <div class="flex min-h-dvh flex-col middle:h-dvh">
    <button type="button" class="press sr-only focus:not-sr-only focus:absolute focus:z-20" @click="skip">
      To the work
    </button>
    <StageBar />
    <ContextLine :others="others" />
    <p class="sr-only" role="status">{{ others.length > 0 ? `${others.join(', ')} changed something here` : '' }}</p>
    <p v-if="saving.trouble" class="needs" role="alert">{{ saving.trouble }}</p>
    <RefusedWork />
    <p v-if="classRecord.problem" class="needs" role="alert">{{ classRecord.problem }}</p>
    <div class="flex min-h-0 flex-1">
      <ClassList v-if="view.desk && classRecord.record" />
      <main ref="main" class="relative min-w-0 flex-1 middle:overflow-y-auto" tabindex="-1">
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
    <KeyList :open="sheet === 'keys'" @close="sheet = null" />
    <GoTo :open="sheet === 'go to'" @close="sheet = null" />
    <SignInAgain />
  </div>
</template>
