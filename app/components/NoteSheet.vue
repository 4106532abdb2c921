<script setup lang="ts">
import { useEventListener, useSessionStorage } from '@vueuse/core'
import type { NoteKept } from '~~/contracts/notes'
import { longestNote, noteProblem } from '~~/core/record/noteProblem'
import type { NoteKind, Observation } from '~~/core/record/observations'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useSession } from '~/stores/session'

/**
 * A quick note about the student in view, from any stage. What is typed is kept when the sheet is put away, when
 * somebody turns to another student, and when the page goes; until then it waits in this tab.
 */
interface Draft extends Omit<NoteKept, 'kind' | 'about'> {
  id: string
  studentId: string
  /** Where it belongs, whatever class is looked at meanwhile. */
  place: string
  /** "skill M1", or empty. */
  about: string
  was: NoteKept | null
}

const classRecord = useClassRecord()
const saving = useSaving()
const session = useSession()
const { sheet } = useFrame()
const draft = useSessionStorage<Draft | null>(`facunda.note.${session.person?.id}`, null, {
  serializer: { read: (text) => JSON.parse(text) as Draft | null, write: (value) => JSON.stringify(value) },
})
const student = computed(() => classRecord.student)
const field = useTemplateRef<HTMLTextAreaElement>('field')
const keptOf = ref('')
const open = computed(() => sheet.value === 'note')
const choices = computed(() => {
  const { record, subject } = classRecord
  if (!record) return []
  const skills = record.skills.filter((skill) => skill.subject === subject?.key)
  const work = record.work.filter((piece) => piece.subject === subject?.key)
  return [
    { of: 'Habits', options: record.habits.map(({ key, name }) => ({ value: `habit ${key}`, name })) },
    {
      of: `Skills in ${subject?.name ?? ''}`,
      options: skills.map(({ id, statement }) => ({ value: `skill ${id}`, name: statement })),
    },
    {
      of: `Work in ${subject?.name ?? ''}`,
      options: work.map(({ id, title }) => ({ value: `work ${id}`, name: title })).reverse(),
    },
  ].filter(({ options }) => options.length > 0)
})

/** Why what is written cannot be kept as it is; nothing while nothing is written. */
const wrong = computed(() => {
  const { record, answer } = classRecord
  if (!draft.value || !record || !answer || draft.value.text.trim() === '') return null
  return noteProblem(draft.value, record.term, answer.today)
})

function begin(): void {
  draft.value = {
    ...{ id: crypto.randomUUID(), studentId: student.value?.id ?? '', place: classRecord.place, text: '', about: '' },
    ...{ date: classRecord.answer?.today ?? '', mayTell: false, was: null },
  }
}

// What was begun about one child never goes along to another.
watch(
  [open, student, () => classRecord.place],
  ([isOpen]) => {
    if (draft.value && draft.value.text.trim() !== '' && (!isOpen || isOfAnother(draft.value))) keep()
    if (isOpen && (!draft.value || isOfAnother(draft.value))) begin()
  },
  { immediate: true },
)
useEventListener(window, 'pagehide', keep)
const isOfAnother = (one: Draft): boolean => one.studentId !== student.value?.id || one.place !== classRecord.place

function noteOf({ date, text, mayTell, about }: Draft): NoteKept {
  const [kind = '', ...rest] = about.split(' ')
  return { date, text: text.trim(), mayTell, kind: (kind || null) as NoteKind | null, about: rest.join(' ') }
}

/** Keeps what is written, if anything is. */
function keep(): void {
  const now = draft.value
  if (!now) return
  draft.value = null
  if (now.text.trim() === '') return
  const { id, studentId, place, was } = now
  classRecord.writeNote({ id, studentId, note: noteOf(now), was }, place)
  keptOf.value = `Kept: ${now.text.trim().slice(0, 60)}`
}

function keepAndGoOn(): void {
  if (wrong.value !== null) return
  keep()
  begin()
  void nextTick(() => field.value?.focus())
}

function change(note: Observation): void {
  keep()
  const { id, studentId, date, kind, about, text, mayTell } = note
  draft.value = {
    ...{ id, studentId, date, text, mayTell, place: classRecord.place },
    about: kind === null ? '' : `${kind} ${about}`,
    was: { date, kind, about, text, mayTell },
  }
  void nextTick(() => field.value?.focus())
}

function takeAway(): void {
  const now = draft.value
  if (!now?.was) return
  draft.value = null
  classRecord.writeNote({ id: now.id, studentId: now.studentId, note: null, was: now.was }, now.place)
  keptOf.value = 'The note is taken away.'
  begin()
}
</script>

<template>
  <SideSheet
    :open="open"
    :title="`Note about ${student?.usedName ?? ''}`"
    side="right"
    :first="field"
    @close="sheet = null"
  >
    <form
      v-if="draft && classRecord.may.notes"
      class="grid gap-3 px-4 py-3"
      @submit.prevent="keepAndGoOn"
      @keydown.ctrl.enter.prevent="keepAndGoOn"
      @keydown.meta.enter.prevent="keepAndGoOn"
    >
      <label class="grid gap-1"
        >What was seen or said
        <textarea ref="field" v-model="draft.text" class="field" rows="4" :maxlength="longestNote"></textarea>
      </label>
      <label class="grid gap-1 text-sm"
        >About
        <select v-model="draft.about" class="field w-full">
          <option value="">{{ student?.usedName }} as such</option>
          <optgroup v-for="group in choices" :key="group.of" :label="group.of">
            <option v-for="each in group.options" :key="each.value" :value="each.value">{{ each.name }}</option>
          </optgroup>
        </select></label
      >
      <fieldset class="grid gap-1 text-sm">
        <legend class="sr-only">Who is told</legend>
        <label class="flex gap-2"
          ><input v-model="draft.mayTell" type="radio" :value="false" /><span
            >For me <span class="block text-muted">not shown to colleagues, used in no comment</span></span
          ></label
        >
        <label class="flex gap-2"
          ><input v-model="draft.mayTell" type="radio" :value="true" /><span
            >May be told to the family
            <span class="block text-muted">colleagues read it, a comment may use it</span></span
          ></label
        >
      </fieldset>
      <label class="flex items-center gap-2 text-sm"
        >Day
        <input
          v-model="draft.date"
          type="date"
          class="field"
          :min="classRecord.record?.term.starts"
          :max="classRecord.answer?.today"
          required
      /></label>
      <p v-if="wrong" class="needs text-sm" role="alert">{{ wrong }}</p>
      <div class="flex flex-wrap items-center gap-3">
        <button type="submit" class="press" :disabled="draft.text.trim() === '' || wrong !== null">
          {{ draft.was ? 'Keep the change' : 'Keep the note' }}
        </button>
        <button v-if="draft.was" type="button" class="link" @click="takeAway">Take it away</button>
        <span class="text-xs text-muted">Ctrl Enter</span>
      </div>
      <p class="text-sm text-muted" role="status">
        {{ keptOf }}<template v-if="keptOf && saving.trouble"> On this device, until the server is back.</template>
      </p>
    </form>
    <p v-else-if="!classRecord.may.notes" class="px-4 py-3">
      {{ classRecord.may.locked ?? 'Notes are written by those who teach here.' }}
    </p>
    <NoteList class="px-4 pb-4 text-sm" changes @change="change" />
  </SideSheet>
</template>
