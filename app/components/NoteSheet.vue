<script setup lang="ts">
import { useEventListener, useSessionStorage } from '@vueuse/core'
import type { NoteKept } from '~~/contracts/notes'
import { scaleOfLevel } from '~~/core/school/scaleOfLevel'
import { noteAsSaid } from '~~/core/record/noteFacts'
import { bounds } from '~~/core/record/fields'
import { noteProblem } from '~~/core/record/noteProblem'
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
const { sheet, noteAbout } = useFrame()
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

/** The levels or scores that can be seen of what the note is about. */
const levels = computed(() => {
  const { record } = classRecord
  if (!record || !draft.value) return []
  return scaleOfLevel(record, tieOf(draft.value.about)).scale?.levels ?? []
})
watch(levels, (now) => {
  if (draft.value && now.every(({ symbol }) => symbol !== draft.value?.symbol)) draft.value.symbol = null
})
const isWritten = ({ text, symbol }: Pick<Draft, 'text' | 'symbol'>): boolean => text.trim() !== '' || Boolean(symbol)

/** Why what is written cannot be kept as it is; nothing while nothing is written. */
const wrong = computed(() => {
  const { record, answer } = classRecord
  if (!draft.value || !record || !answer || !isWritten(draft.value)) return null
  return noteProblem(draft.value, record.term, answer.today)
})

/** How a comment would say a note that may be told; or why none does, as it stands. */
const inComment = computed(() => {
  const now = draft.value
  if (!now?.mayTell || now.text.trim() === '' || wrong.value || !classRecord.index || !student.value) return null
  return noteAsSaid(classRecord.index, student.value, now)
})

function begin(): void {
  draft.value = {
    id: crypto.randomUUID(),
    studentId: student.value?.id ?? '',
    place: classRecord.place,
    text: '',
    about: choices.value.some(({ options }) => options.some(({ value }) => value === noteAbout.value))
      ? noteAbout.value
      : '',
    date: classRecord.answer?.today ?? '',
    symbol: null,
    mayTell: false,
    was: null,
  }
}

// What was begun about one child never goes along to another.
watch(
  [open, student, () => classRecord.place],
  ([isOpen]) => {
    if (draft.value && isWritten(draft.value) && (!isOpen || isOfAnother(draft.value))) keep()
    if (isOpen && (!draft.value || isOfAnother(draft.value) || !isWritten(draft.value))) begin()
  },
  { immediate: true },
)
useEventListener(window, 'pagehide', keep)
const isOfAnother = (one: Draft): boolean => one.studentId !== student.value?.id || one.place !== classRecord.place

function tieOf(about: string): Pick<NoteKept, 'kind' | 'about'> {
  const [kind = '', ...rest] = about.split(' ')
  return { kind: (kind || null) as NoteKind | null, about: rest.join(' ') }
}
const noteOf = ({ date, text, symbol, mayTell, about }: Draft): NoteKept => ({
  date,
  text: text.trim(),
  symbol,
  mayTell,
  ...tieOf(about),
})

/** Keeps what is written, if anything is. */
function keep(): void {
  const now = draft.value
  if (!now) return
  draft.value = null
  if (!isWritten(now)) return
  const { id, studentId, place, was } = now
  classRecord.writeNote({ id, studentId, note: noteOf(now), was }, place)
  keptOf.value = `Kept: ${[now.symbol, now.text.trim().slice(0, 60)].filter(Boolean).join(' ')}`
}

function keepAndGoOn(): void {
  if (wrong.value !== null) return
  keep()
  begin()
  void nextTick(() => field.value?.focus())
}

function change(note: Observation): void {
  keep()
  const { id, studentId, date, kind, about, symbol, text, mayTell } = note
  draft.value = {
    id,
    studentId,
    date,
    symbol,
    text,
    mayTell,
    place: classRecord.place,
    about: kind === null ? '' : `${kind} ${about}`,
    was: { date, kind, about, symbol, text, mayTell },
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
      data-keeps
      @submit.prevent="keepAndGoOn"
      @keydown.ctrl.enter.prevent="keepAndGoOn"
      @keydown.meta.enter.prevent="keepAndGoOn"
    >
      <label class="grid gap-1"
        >What was seen or said
        <textarea ref="field" v-model="draft.text" class="field" rows="4" :maxlength="bounds.note"></textarea>
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
      <label v-if="levels.length > 0" class="flex items-center gap-2 text-sm"
        >{{ draft.about.startsWith('habit') ? 'Score' : 'Level' }} seen
        <select v-model="draft.symbol" class="field min-w-0 flex-1">
          <option :value="null">none</option>
          <option v-for="each in levels" :key="each.symbol" :value="each.symbol">
            {{ each.symbol }} {{ each.name }}
          </option>
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
      <p v-if="inComment" class="border-l-2 border-rule pl-3 text-sm" aria-live="polite">
        <template v-if="'said' in inComment"
          >A comment can say: <span class="font-serif">{{ inComment.said }}</span></template
        ><template v-else>No comment says it as it stands. {{ inComment.why }}</template>
      </p>
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
        <button type="submit" class="press" :disabled="!isWritten(draft) || wrong !== null">
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
