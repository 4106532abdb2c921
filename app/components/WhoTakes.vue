<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { planTakers } from '~~/core/exchange/lists/planTakers'
import { takes } from '~~/core/record/takers'
import { useClassRecord } from '~/stores/classRecord'
import { useSession } from '~/stores/session'
import { useSettings } from '~/stores/settings'

/** Who of the class takes the subject in view: by a click, or by a list of those who do. */
const classRecord = useClassRecord()
const session = useSession()
const settings = useSettings()
const { busy, problem, attempt } = useAttempt()
const list = ref('')
const said = ref('')

const subject = computed(() => classRecord.subject)
const may = computed(
  () =>
    classRecord.may.locked === null &&
    (session.person?.setsUp || classRecord.may.subjects.includes(subject.value?.key ?? '')),
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

/** Who is in the list takes the subject, and nobody else. */
const listed = computed(() => {
  try {
    return planTakers(list.value, classRecord.record?.students ?? [])
  } catch (error) {
    return { takers: new Set<string>(), refused: [{ row: 1, reason: error instanceof Error ? error.message : '' }] }
  }
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
  const { takers } = listed.value
  await say(new Map(rows.value.map(({ student }) => [student.id, takers.has(student.id)])))
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
        <ul v-if="listed.refused.length > 0" class="needs">
          <li v-for="each in listed.refused" :key="each.row">Row {{ each.row }}: {{ each.reason }}</li>
        </ul>
        <p v-if="listed.takers.size > 0">
          <button type="submit" class="quiet" :disabled="busy || listed.refused.length > 0">
            {{ listed.takers.size }} take {{ subject.name }}, {{ rows.length - listed.takers.size }} do not
          </button>
        </p>
      </form>
      <p role="status">{{ said }}</p>
    </DisclosurePanel>
  </Disclosure>
</template>
