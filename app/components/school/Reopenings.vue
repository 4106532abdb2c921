<script setup lang="ts">
import type { Reopening, ReopeningsAnswer } from '~~/contracts/reopenings'
import { addDays } from '~~/core/addDays'
import { longDate } from '~~/core/reports/longDate'
import { useOwnSchool } from '~/stores/ownSchool'

/** A class or a subject of a locked term, opened again for some days, with the reason; all of it stays on record. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
const answer = shallowRef<ReopeningsAnswer | null>(null)
const asked = reactive({ termId: '', classId: '', subject: '', to: '', reason: '' })

async function load(): Promise<void> {
  answer.value = await school.loadReopenings()
  const { terms, today } = answer.value
  if (!terms.some(({ id }) => id === asked.termId)) asked.termId = terms.at(-1)?.id ?? ''
  asked.to ||= addDays(today, 2)
}
watch(
  () => school.year,
  () => void attempt(load),
  { immediate: true },
)

const write = (id: string, reopening: Reopening, was: Reopening | null): Promise<void> =>
  attempt(async () => {
    await school.writeReopening({ id, reopening, was })
    await load()
  })

async function open(): Promise<void> {
  const { termId, classId, subject, to, reason } = asked
  const from = answer.value?.today ?? ''
  await write(
    crypto.randomUUID(),
    { termId, classId: classId || null, subject: subject || null, from, to, reason },
    null,
  )
  if (problem.value === '') Object.assign(asked, { classId: '', subject: '', reason: '' })
}

type Made = ReopeningsAnswer['reopenings'][number]
const plain = ({ id: _id, madeBy: _madeBy, ...rest }: Made): Reopening => rest

/** Closed now: it stays on record, and its last day was yesterday. */
function close(made: Made): Promise<void> {
  const was = plain(made)
  const yesterday = addDays(answer.value?.today ?? '', -1)
  return write(made.id, { ...was, to: yesterday }, was)
}

const whatOf = ({ classId, subject, termId }: Reopening): string => {
  const { classes, subjects, terms } = answer.value ?? { classes: [], subjects: [], terms: [] }
  const room = classes.find(({ id }) => id === classId)?.name ?? 'every class'
  const taught = subjects.find(({ key }) => key === subject)?.name ?? 'all of it'
  return `${terms.find(({ id }) => id === termId)?.name ?? 'A term'}, ${room}: ${taught}`
}
const daysOf = ({ from, to }: Reopening): string =>
  from > to ? `${longDate(from)}, closed the same day` : `${longDate(from)} to ${longDate(to)}`
const isOpen = ({ from, to }: Reopening): boolean => {
  const today = answer.value?.today ?? ''
  return from <= today && today <= to
}
</script>

<template>
  <section v-if="answer" aria-labelledby="reopenings">
    <h3 id="reopenings" class="text-lg font-semibold">A locked term, opened again</h3>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <p v-if="answer.terms.length === 0" class="mt-1 text-muted">No term of this year is locked.</p>
    <form v-else class="mt-3 flex max-w-5xl flex-wrap items-end gap-x-4 gap-y-3" @submit.prevent="open">
      <label class="grid gap-1 text-sm"
        >Term
        <select v-model="asked.termId" class="field">
          <option v-for="term in answer.terms" :key="term.id" :value="term.id">{{ term.name }}</option>
        </select></label
      >
      <label class="grid gap-1 text-sm"
        >Class
        <select v-model="asked.classId" class="field">
          <option value="">every class</option>
          <option v-for="room in answer.classes" :key="room.id" :value="room.id">{{ room.name }}</option>
        </select></label
      >
      <label class="grid gap-1 text-sm"
        >Subject
        <select v-model="asked.subject" class="field">
          <option value="">all of the class</option>
          <option v-for="subject in answer.subjects" :key="subject.key" :value="subject.key">{{ subject.name }}</option>
        </select></label
      >
      <label class="grid gap-1 text-sm"
        >Until the end of
        <input v-model="asked.to" type="date" class="field" :min="answer.today" required />
      </label>
      <label class="grid min-w-64 flex-1 gap-1 text-sm"
        >Reason, on record
        <input v-model="asked.reason" class="field" maxlength="300" placeholder="A result came in late" required />
      </label>
      <button type="submit" class="press" :disabled="busy">Open again</button>
    </form>
    <ul v-if="answer.reopenings.length > 0" class="mt-4 max-w-5xl">
      <li
        v-for="each in answer.reopenings"
        :key="each.id"
        class="flex flex-wrap items-baseline gap-x-4 border-b border-rule py-1.5"
      >
        <span class="font-semibold">{{ whatOf(each) }}</span>
        <span>{{ daysOf(each) }}</span>
        <span class="text-muted">{{ each.reason }} ({{ each.madeBy }})</span>
        <template v-if="isOpen(each)">
          <span class="ml-auto text-needs">open now</span>
          <button type="button" class="link" :disabled="busy" @click="close(each)">
            Close it<span class="sr-only">: {{ whatOf(each) }}</span>
          </button>
        </template>
      </li>
    </ul>
  </section>
</template>
