<script setup lang="ts">
import { longDate } from '~~/core/reports/longDate'
import { howSoon, isDueSoon, nextDue } from '~~/core/terms/due'
import { lockWarning } from '~~/core/terms/lock'
import { nextStage, stages, type Stage } from '~~/core/terms/progress'
import type { DeskClass } from '~~/contracts/answers'
import { useSession } from '~/stores/session'
import { useView } from '~/stores/view'

definePageMeta({ layout: 'plain' })
useHead({ title: 'Desk · Facunda' })
const view = useView()
const session = useSession()
onMounted(() => view.loadDesk())

const words: Record<Stage, string> = {
  gather: 'results in',
  settle: 'settled',
  write: 'boxes written',
  read: 'read and finished',
  send: 'reports made',
}
const due = computed(() => view.desk && nextDue(view.desk.term, view.desk.today))
const locks = computed(() => view.desk && lockWarning(view.desk.term, view.desk.today))

async function open(each: DeskClass, stage: string): Promise<void> {
  if (view.kept.classId !== each.id) Object.assign(view.kept, { classId: each.id, studentId: null })
  await navigateTo(`/${stage}`)
}

async function signOut(): Promise<void> {
  await session.signOut()
  await navigateTo('/sign-in')
}
</script>

<template>
  <main v-if="view.desk" class="mx-auto max-w-4xl px-4 py-6 middle:px-6 middle:py-10">
    <p class="flex flex-wrap gap-x-4 text-sm text-muted">
      {{ view.desk.school }} · {{ longDate(view.desk.today)
      }}{{ view.desk.standsStill ? ', where the demo stands still' : '' }}
      <span class="ml-auto">{{ view.desk.person.name }}</span>
      <NuxtLink to="/my-settings" class="link">My settings</NuxtLink>
      <NuxtLink v-if="view.desk.person.setsUp" to="/school" class="link">School</NuxtLink>
      <button type="button" class="link" @click="signOut">Sign out</button>
    </p>
    <h1 class="mt-2 text-3xl font-semibold">Your desk</h1>
    <p v-if="due" class="mt-3 font-serif text-lg">
      {{ view.desk.term.name }}: {{ due.what }} are due on {{ longDate(due.day) }},
      <strong :class="isDueSoon(due.days) ? 'text-needs' : ''">{{ howSoon(due.days) }}</strong><template v-if="locks"
        >; the term <strong class="text-needs">{{ locks }}</strong></template
      >.
    </p>
    <section
      v-for="each in view.desk.classes"
      :key="each.id"
      class="mt-8 border-t border-rule pt-5"
      :aria-label="each.name"
    >
      <div class="flex flex-wrap items-baseline gap-x-3 gap-y-2">
        <h2 class="text-xl font-semibold">{{ each.name }}</h2>
        <p class="text-muted">{{ each.role }}, {{ each.students }} students</p>
        <button type="button" class="press ml-auto" @click="open(each, nextStage(each.counts))">
          Go on with {{ nextStage(each.counts) }}
        </button>
      </div>
      <ol class="mt-4 grid grid-cols-1 gap-4 sm:grid-cols-2 middle:grid-cols-5">
        <li v-for="stage in stages" :key="stage">
          <button type="button" class="w-full border-t-2 border-rule pt-2 text-left" @click="open(each, stage)">
            <span
              class="block h-1 bg-teal -mt-[10px] mb-2"
              :style="{
                width: `${each.counts[stage].of ? (each.counts[stage].done / each.counts[stage].of) * 100 : 0}%`,
              }"
              aria-hidden="true"
            />
            <span class="font-semibold capitalize">{{ stage }}</span>
            <span class="block text-sm text-muted"
              >{{ each.counts[stage].done }} of {{ each.counts[stage].of }} {{ words[stage] }}</span
            >
          </button>
        </li>
      </ol>
    </section>
    <p v-if="view.desk.classes.length === 0" class="mt-8">No class is yours yet. The coordinator gives you one.</p>
  </main>
</template>
