<script setup lang="ts">
import type { LaterChange, SignOff } from '~~/contracts/signOffs'
import { takersOf } from '~~/core/record/takers'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useSettings } from '~/stores/settings'

/**
 * Whether the subject in view is signed off: by whom, with what note for the coordinator, and what has been changed
 * since. Signing off freezes nothing.
 */
const props = defineProps<{ subject: string | null; may: boolean }>()
const emit = defineEmits<{ turn: [subject: string | null] }>()
const classRecord = useClassRecord()
const saving = useSaving()
const settings = useSettings()
const { busy, problem, attempt } = useAttempt()
const signOffs = shallowRef<readonly SignOff[]>([])
const note = ref<string | null>(null)
const noteField = useTemplateRef('noteField')

async function look(): Promise<void> {
  const { place } = classRecord
  const found = await askServer<SignOff[]>('GET', `${place}/sign-offs`)
  if (place === classRecord.place) signOffs.value = found
}
watch(
  // What others change comes with the class; what is changed here, when it has been saved.
  () => [classRecord.place, classRecord.answer?.readAt, saving.savedAt],
  () => void attempt(look),
  { immediate: true },
)
watch(
  () => [props.subject, classRecord.place],
  () => (note.value = null),
)

const called = (subject: string | null): string =>
  subject === null
    ? 'what belongs to no subject'
    : (classRecord.record?.subjects.find(({ key }) => key === subject)?.name ?? subject)
const here = computed(() => signOffs.value.find(({ subject }) => subject === props.subject))
const others = computed(() => signOffs.value.filter(({ subject }) => subject !== props.subject))

function sign(signed: { note: string } | null): Promise<void> {
  return attempt(async () => {
    await saving.flush()
    const body = { subject: props.subject, signed, was: here.value?.at ?? null }
    await saving.askFor('PUT', `${classRecord.place}/sign-off`, body)
    note.value = null
    await look()
  })
}

function begin(): void {
  note.value = here.value?.note ?? ''
  void nextTick(() => noteField.value?.focus())
}

/** What of the subject is not there yet; signing off something unfinished is asked about. */
const unfinished = computed(() => {
  const { index, record } = classRecord
  if (!index || !record) return []
  const boxes = record.boxes.filter((box) => box.subject === props.subject)
  const students = takersOf(record.students, props.subject)
  const open = boxes.reduce(
    (sum, box) => sum + students.filter(({ id }) => index.commentOf(id, box.key)?.status !== 'finished').length,
    0,
  )
  const all = boxes.length * students.length
  const unmarked =
    props.subject === null ? 0 : students.filter(({ id }) => index.markOf(id, props.subject ?? '') === undefined).length
  return [
    ...(open > 0 ? [`${open === all ? 'none' : `${all - open}`} of ${all} comments finished`] : []),
    ...(unmarked > 0 ? [`${unmarked === 1 ? 'one mark' : `${unmarked} marks`} not settled`] : []),
  ]
})

const when = (at: number): string => whenText(new Date(at).toISOString())
/** "Finn, mark" */
function whose({ of, studentId, about }: LaterChange): string {
  const { index, record } = classRecord
  const student = index?.student(studentId)
  const what = {
    mark: () => 'mark',
    comment: () => 'comment',
    attendance: () => 'attendance',
    skill: () => record?.skills.find(({ id }) => id === about)?.statement,
    habit: () => record?.habits.find(({ key }) => key === about)?.name,
    result: () => record?.work.find(({ id }) => id === about)?.title,
  }[of]()
  return `${student ? settings.nameOf(student) : ''}, ${what ?? of}`
}
</script>

<template>
  <section aria-label="Sign-off" class="grid gap-2 border-y border-rule py-2 text-sm">
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <form v-if="note !== null" class="flex flex-wrap items-end gap-3" @submit.prevent="sign({ note })">
      <label class="grid min-w-60 flex-1 gap-1"
        >A note for the coordinator, if you like <input ref="noteField" v-model="note" class="field" maxlength="500"
      /></label>
      <p v-if="unfinished.length > 0" class="needs basis-full">
        This is not finished: {{ unfinished.join(', ') }}. Sign it off all the same?
      </p>
      <button type="submit" class="press" :disabled="busy">
        Sign off {{ called(subject) }}{{ unfinished.length > 0 ? ' all the same' : '' }}
      </button>
      <button type="button" class="link" @click="note = null">Not yet</button>
    </form>
    <p v-else class="flex flex-wrap items-center gap-x-4 gap-y-1">
      <span v-if="here" class="flex-1"
        ><b class="font-semibold text-teal">Signed off</b>: {{ called(subject) }}, by {{ here.by }}, {{ when(here.at)
        }}<template v-if="here.note">: “{{ here.note }}”</template></span
      >
      <span v-else class="flex-1">Not signed off: {{ called(subject) }}</span>
      <template v-if="may">
        <button v-if="here" type="button" class="link" :disabled="busy" @click="sign(null)">
          Take the sign-off back
        </button>
        <button v-if="!here || here.changes.length > 0" type="button" class="quiet" @click="begin">
          {{ here ? 'Sign off again' : 'Sign off' }}
        </button>
      </template>
    </p>
    <details v-if="here && here.changes.length > 0">
      <summary class="text-needs">
        {{ here.changes.length === 1 ? 'One value has' : `${here.changes.length} values have` }} changed since
      </summary>
      <ul class="mt-1 grid gap-1">
        <li
          v-for="each in here.changes"
          :key="`${each.of} ${each.studentId} ${each.about}`"
          class="border-l-2 border-rule pl-2"
        >
          {{ whose(each) }}: {{ pastValueText(each.from) }} → <b>{{ pastValueText(each.to) }}</b>
          <span class="block text-muted">{{ each.by.join(', ') }}, {{ when(each.at) }}</span>
        </li>
      </ul>
    </details>
    <p v-if="others.length > 0" class="flex flex-wrap gap-x-3 text-muted">
      Signed off as well:
      <button
        v-for="each in others"
        :key="each.subject ?? ''"
        type="button"
        class="link"
        @click="emit('turn', each.subject)"
      >
        {{ called(each.subject) }}{{ each.changes.length > 0 ? ` (${each.changes.length} changed since)` : '' }}
      </button>
    </p>
  </section>
</template>
