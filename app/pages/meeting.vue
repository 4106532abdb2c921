<script setup lang="ts">
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'

/**
 * One student on a screen that a family looks at: no other child, nothing that is the teacher's alone, nothing that can
 * be changed. Leaving takes two deliberate steps, since what comes then is the class.
 */
definePageMeta({ layout: 'plain' })
const classRecord = useClassRecord()
const view = useView()
holdMeeting(true)
const student = computed(() => classRecord.student)
useHead({ title: () => `${student.value?.usedName ?? 'One student'} · Meeting` })
const isLeaving = ref(false)
const mayLeave = ref(false)
const stay = useTemplateRef('stay')

onMounted(async () => {
  if (!view.desk) await view.loadDesk()
  if (!classRecord.record) await classRecord.load()
})
onBeforeRouteLeave(() => {
  if (mayLeave.value) return true
  void ask()
  return false
})

async function ask(): Promise<void> {
  isLeaving.value = true
  await nextTick()
  stay.value?.focus()
}

async function leave(): Promise<void> {
  mayLeave.value = true
  await navigateTo('/student')
}
</script>

<template>
  <main v-if="student" class="mx-auto max-w-5xl px-4 py-5 middle:px-8 middle:py-8">
    <header class="mb-6 flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule pb-3">
      <StudentPhoto :student="student" />
      <h1 class="text-3xl font-semibold">{{ student.usedName }} {{ student.family }}</h1>
      <p class="text-muted">{{ classRecord.record?.term.name }} {{ classRecord.record?.term.year }}</p>
      <button v-if="!isLeaving" type="button" class="quiet ml-auto" @click="ask">Leave the meeting</button>
      <span v-else class="needs ml-auto flex flex-wrap items-center gap-3" role="alertdialog" aria-labelledby="leaving">
        <span id="leaving">The class comes back on this screen.</span>
        <button ref="stay" type="button" class="quiet" @click="isLeaving = false">
          Stay with {{ student.usedName }}
        </button>
        <button type="button" class="press" @click="leave">Leave</button>
      </span>
    </header>
    <AboutStudent :student="student" />
  </main>
  <p v-else-if="classRecord.problem" class="needs m-6" role="alert">{{ classRecord.problem }}</p>
</template>
