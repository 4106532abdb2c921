<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { pressed } from '~/keys/keyTable'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** All about one student: what a decision, a comment or a meeting rests on. */
useHead({ title: 'One student · Facunda' })
const classRecord = useClassRecord()
const settings = useSettings()
const { step, stepTitle } = useSteps()
const student = computed(() => classRecord.student)

useEventListener('keydown', (event: KeyboardEvent) => {
  const by = pressed(event, 'nextStudent') ? 1 : pressed(event, 'studentBefore') ? -1 : null
  if (by === null) return
  event.preventDefault()
  void step(by)
})
</script>

<template>
  <div v-if="student" class="p-3 middle:p-5">
    <header class="mb-6 flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule pb-3">
      <StudentPhoto :student="student" />
      <h1 class="text-2xl font-semibold">{{ settings.nameOf(student) }}</h1>
      <p class="text-sm text-muted">{{ student.schoolNumber }}, grade {{ student.gradeLevel }}</p>
      <span class="ml-auto flex flex-wrap gap-2">
        <button type="button" class="quiet" aria-keyshortcuts="Alt+PageUp" @click="step(-1)">
          {{ stepTitle(-1) }}
        </button>
        <button type="button" class="quiet" aria-keyshortcuts="Alt+PageDown" @click="step(1)">
          {{ stepTitle(1) }}
        </button>
        <NuxtLink to="/write" class="quiet">Write</NuxtLink>
        <NuxtLink to="/meeting" class="press">Hold a meeting</NuxtLink>
      </span>
    </header>
    <AboutStudent :student="student" />
  </div>
</template>
