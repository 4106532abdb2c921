<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { studentMatcher } from '~~/core/people/matchStudent'
import { takes } from '~~/core/record/takers'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** Who of the class takes the subject in view: by a click, or by a list of those who do. */
const classRecord = useClassRecord()
const settings = useSettings()
const { busy, problem, attempt } = useAttempt()
const list = ref('')
const said = ref('')

const subject = computed(() => classRecord.subject)
const may = computed(
  () =>
    classRecord.may.locked === null &&
    // Who changes the subject, and the school's coordinator, whose the phrasebook is too.
    (classRecord.may.phrasebook || classRecord.may.subjects.includes(subject.value?.key ?? '')),
)
const rows = computed(() =>
  (classRecord.record?.students ?? []).map((student) => ({
    student,
    takes: takes(student, subject.value?.key ?? null),
  })),
)
/** Another subject, another list. */
watch(
  () => `${classRecord.place} ${subject.value?.key}`,
  () => (list.value = said.value = ''),
)
const without = computed(() => rows.value.filter((row) => !row.takes))
const summary = computed(() => {
  const called = subject.value?.name ?? ''
  if (without.value.length === 0) return `Everybody here takes ${called}`
  return `${rows.value.length - without.value.length} of ${rows.value.length} take ${called}`
})

/** What a list of names or numbers says: who is in it takes the subject, and nobody else. */
const listed = computed(() => {
  const match = studentMatcher(classRecord.record?.students ?? [])
  const lines = list.value
    .split(/[\n;]/)
    .map((line) => line.trim())
    .filter(Boolean)
  const found = new Set<string>()
  const unknown: string[] = []
  for (const line of lines) {
    const who = match(/^\d+$/.test(line) ? { number: line } : { name: line.replace(/\t/g, ' ') })
    if (who.kind === 'found') found.add(who.student.id)
    else unknown.push(line)
  }
  return { found, unknown }
})

function say(wanted: ReadonlyMap<string, boolean>): Promise<void> {
  return attempt(async () => {
    const choices = rows.value.flatMap(({ student, takes: was }) => {
      const now = wanted.get(student.id)
      return now === undefined || now === was ? [] : [{ studentId: student.id, takes: now, was }]
    })
    if (choices.length > 0) await classRecord.keepTakers({ subject: subject.value?.key ?? '', choices })
    said.value = summary.value
  })
}

async function takeList(): Promise<void> {
  const { found } = listed.value
  await say(new Map(rows.value.map(({ student }) => [student.id, found.has(student.id)])))
  if (!problem.value) list.value = ''
}
</script>

<template>
  <Disclosure v-if="subject && rows.length > 0" v-slot="{ open }" as="section" aria-label="Who takes the subject">
    <p class="flex flex-wrap items-baseline gap-x-3 text-sm">
      <span
        >{{ summary
        }}<template v-if="without.length > 0 && without.length <= 4"
          >: not {{ without.map((row) => settings.nameOf(row.student)).join(', ') }}</template
        >.</span
      >
      <DisclosureButton class="link">{{ open ? 'Close' : may ? 'Change who' : 'See who' }}</DisclosureButton>
    </p>
    <DisclosurePanel class="mt-2 grid gap-3 border-l-2 border-rule pl-3 text-sm">
      <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
      <p class="text-muted">
        Of a child who does not take {{ subject.name }} nothing is counted, drafted, checked or printed in it, all year.
        What is there already is kept, and stands again when they take it.
      </p>
      <ul class="grid grid-cols-[repeat(auto-fill,minmax(10rem,1fr))] gap-x-4">
        <li v-for="row in rows" :key="row.student.id">
          <label class="flex min-h-7 items-center gap-2"
            ><input
              type="checkbox"
              :checked="row.takes"
              :disabled="!may || busy"
              @change="say(new Map([[row.student.id, ($event.target as HTMLInputElement).checked]]))"
            />
            {{ settings.nameOf(row.student) }}</label
          >
        </li>
      </ul>
      <form v-if="may" class="grid max-w-xl gap-2" @submit.prevent="takeList">
        <label class="grid gap-1"
          >Or paste those who take it, a name or number a line
          <textarea v-model="list" class="field" rows="3" />
        </label>
        <p v-if="listed.unknown.length > 0" class="text-needs">
          Nobody here is called {{ listed.unknown.map((each) => `“${each}”`).join(', ') }}.
        </p>
        <p v-if="listed.found.size > 0">
          <button type="submit" class="quiet" :disabled="busy || listed.unknown.length > 0">
            {{ listed.found.size }} take {{ subject.name }}, {{ rows.length - listed.found.size }} do not
          </button>
        </p>
      </form>
      <p role="status">{{ said }}</p>
    </DisclosurePanel>
  </Disclosure>
</template>
