<script setup lang="ts">
import { longDate } from '~~/core/reports/longDate'
import { stages, type Stage } from '~~/core/terms/progress'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useSession } from '~/stores/session'
import { useView } from '~/stores/view'

const classRecord = useClassRecord()
const saving = useSaving()
const session = useSession()
const view = useView()
const route = useRoute()
const { listFolded, marginFolded } = useFrame()

const names: Record<Stage, string> = { gather: 'Gather', settle: 'Settle', write: 'Write', read: 'Read', send: 'Send' }
const left = (stage: Stage): number => {
  const { done, of } = classRecord.total[stage]
  return Math.max(0, of - done)
}
/** The phrasebook belongs to writing, the page of one student to settling. */
const within: Partial<Record<Stage, string>> = { write: '/phrasebook', settle: '/student' }
const isIn = (stage: Stage): boolean => route.path === `/${stage}` || route.path === within[stage]
const savedText = computed(() => {
  if (saving.trouble) return 'kept on this device'
  if (saving.waiting.length + saving.pending.size > 0) return 'saving …'
  return saving.savedAt
    ? `saved ${saving.savedAt.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`
    : ''
})

async function go(event: Event): Promise<void> {
  await navigateTo(`/${(event.target as HTMLSelectElement).value}`)
}

async function signOut(): Promise<void> {
  await session.signOut()
  await navigateTo('/sign-in')
}
</script>

<template>
  <header class="flex min-h-12 shrink-0 flex-wrap items-center gap-x-4 border-b border-rule px-4 wide:gap-x-6">
    <NuxtLink to="/" class="flex items-center gap-2 font-semibold" aria-label="Facunda: to the desk">
      <img src="/mark.svg" alt="" width="22" height="22" /> <span class="hidden wide:inline">Facunda</span>
    </NuxtLink>
    <nav aria-label="Stages">
      <!-- On one line with the current one named, where there is room for no more. -->
      <select
        v-if="listFolded"
        class="bg-paper py-2 font-semibold text-teal"
        aria-label="Stage"
        :value="stages.find(isIn) ?? ''"
        @change="go($event)"
      >
        <option v-for="stage in stages" :key="stage" :value="stage">
          {{ names[stage] }}{{ classRecord.record && left(stage) > 0 ? ` (${left(stage)} left)` : '' }}
        </option>
      </select>
      <div v-else class="flex h-12 wide:gap-1">
        <NuxtLink
          v-for="stage in stages"
          :key="stage"
          :to="`/${stage}`"
          class="flex h-full items-center gap-1.5 border-b-2 px-2 wide:px-3"
          :class="isIn(stage) ? 'border-teal font-semibold text-teal' : 'border-transparent'"
          :aria-current="isIn(stage) ? 'page' : undefined"
        >
          {{ names[stage] }}
          <span v-if="classRecord.record && left(stage) > 0" class="text-xs font-normal text-muted"
            >{{ left(stage) }}<span class="sr-only"> left</span></span
          >
        </NuxtLink>
      </div>
    </nav>
    <p v-if="view.desk?.standsStill" class="ml-auto hidden text-sm text-muted wide:block">
      Demo: always {{ longDate(view.desk.today) }}
    </p>
    <p class="text-sm text-muted" :class="view.desk?.standsStill ? 'ml-auto wide:ml-0' : 'ml-auto'" role="status">
      {{ savedText }}
    </p>
    <ClassSteps />
    <!-- Elsewhere both stand on the desk. -->
    <template v-if="!marginFolded">
      <span class="text-sm">{{ session.person?.name }}</span>
      <button type="button" class="link text-sm" @click="signOut">Sign out</button>
    </template>
  </header>
</template>
