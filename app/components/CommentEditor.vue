<script setup lang="ts">
import { rewordComment, rewordSentence, type Rewording } from '~~/core/narrative/reword'
import { draftComment } from '~~/core/narrative/draftComment'
import { followEdits } from '~~/core/narrative/followEdits'
import { countGraphemes } from '~~/core/narrative/graphemes'
import type { CommentBox } from '~~/core/narrative/plan'
import type { Student } from '~~/core/record/roster'
import type { StudentComment } from '~~/core/record/termRecord'
import { draftRequest } from '~~/core/record/narrativeFacts'
import { classmatesOfComments } from '~~/core/record/classmatesOfComments'
import { curlyQuotes } from '~~/core/text/curlyQuotes'
import { withoutUnkeepable } from '~~/core/text/plainText'
import { pressed } from '~/keys/keyTable'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'

/** One comment, in a large editor. Saved as it is typed; another wording is one key away. */
const props = defineProps<{ student: Student; box: CommentBox; may: boolean; describedBy?: string | undefined }>()
const classRecord = useClassRecord()
const { step, stepTitle } = useSteps()
const saving = useSaving()
const area = useTemplateRef('area')
/** How often each phrase has been shown here, so that the next wording is a new one. */
const shown = new Map<string, number>()
const nothing = ref('')
/** What the keyboard does here, as it is told below the editor. */
const keys = [
  ['Alt W', 'another wording of the sentence'],
  ['Alt N', 'next finding'],
  ['Ctrl Enter', 'finished and on'],
  ['Alt Page down', 'next student'],
  ['Alt Page up', 'previous'],
] as const
/** True after something was kept out because it would not fit. */
const full = ref(false)

const comment = computed(() => classRecord.index?.commentOf(props.student.id, props.box.key))
const text = computed(() => comment.value?.text ?? '')
const classmates = computed(() =>
  (classRecord.record?.comments ?? []).filter(
    (each) => each.box === props.box.key && each.studentId !== props.student.id,
  ),
)
const length = computed(() => countGraphemes(text.value))
/** This text as it was refused, since it was changed elsewhere: both are shown, and the teacher chooses. */
const conflict = computed(() => {
  const key = classRecord.commentKey(props.student.id, props.box.key)
  const entry = saving.refused.find((each) => each.work.key === key && each.problem?.status === 409)
  if (entry?.work.kind !== 'comment') return null
  const standing = (entry.problem?.conflicts[0]?.standing ?? null) as StudentComment | null
  return { entry, mine: entry.work.body, standing }
})

watch(
  () => [props.student.id, props.box.key],
  () => {
    void saving.flush()
    shown.clear()
    nothing.value = ''
    full.value = false
  },
)

/** A straight quotation mark is exchanged as it comes in, as if the right one was typed: undoing goes on working. */
function setRight(event: Event): void {
  const { data, isComposing, target } = event as InputEvent
  const input = target as HTMLTextAreaElement
  if (isComposing || data === null || !/['"]/.test(data)) return
  const before = input.value.slice(0, input.selectionStart)
  event.preventDefault()
  document.execCommand('insertText', false, curlyQuotes(before + data).slice(before.length))
}

function typed(event: Event): void {
  const input = event.target as HTMLTextAreaElement
  const next = curlyQuotes(withoutUnkeepable(input.value))
  if (next !== input.value) {
    const caret = input.selectionStart - (input.value.length - next.length)
    input.value = next
    input.setSelectionRange(caret, caret)
  }
  // Typing past what fits is stopped, as the paper has no room for it; a text that was too long may be shortened.
  if (countGraphemes(next) > props.box.limit && next.length > text.value.length) {
    const caret = input.selectionStart - (next.length - text.value.length)
    input.value = text.value
    input.setSelectionRange(caret, caret)
    full.value = true
    return
  }
  full.value = false
  const sentences = followEdits(comment.value?.sentences ?? [], text.value, next)
  put({ text: next, sentences, ownWords: true, status: comment.value?.status ?? 'in draft' })
}

function put(next: Omit<StudentComment, 'studentId' | 'box' | 'version'>, when: 'soon' | 'now' = 'soon'): void {
  const { student, box } = props
  const version = comment.value?.version ?? 0
  classRecord.writeComment({ ...next, studentId: student.id, box: box.key, version }, when)
}

function draft(): void {
  if (!classRecord.index || !classRecord.record) return
  const request = draftRequest(classRecord.index, props.student, props.box)
  const others = classmatesOfComments(classmates.value, classRecord.record)
  const made = draftComment(request, classRecord.record.phrasebook, others)
  if (made.text !== '') put({ text: made.text, sentences: made.sentences, ownWords: false, status: 'in draft' }, 'now')
  else nothing.value = 'Nothing can be said yet: settle a mark or level first.'
}

/** Another wording of all, or of the sentence under the cursor; or one that is shorter or longer. */
function reword(how: Rewording | 'sentence'): void {
  const now = comment.value
  if (!classRecord.index || !classRecord.record || !now) return
  const request = draftRequest(classRecord.index, props.student, props.box)
  const { phrasebook } = classRecord.record
  const caret = area.value?.selectionStart ?? 0
  const under = Math.max(
    0,
    now.sentences.findIndex((sentence) => sentence.start <= caret && sentence.end >= caret),
  )
  const told = how === 'sentence' ? now.sentences.slice(under, under + 1) : now.sentences
  for (const id of told.flatMap((sentence) => sentence.phraseIds)) shown.set(id, (shown.get(id) ?? 0) + 1)
  const made =
    how === 'sentence'
      ? rewordSentence(request, now, under, { phrasebook, shown })
      : rewordComment(request, now, how, {
          phrasebook,
          shown,
          classmates: classmatesOfComments(classmates.value, classRecord.record),
        })
  nothing.value = made
    ? ''
    : how === 'sentence'
      ? 'There is no other wording of this sentence.'
      : how === 'another'
        ? 'There is no other wording.'
        : `There is no ${how} wording.`
  if (!made) return
  const ownWords = how === 'sentence' && now.ownWords
  put({ text: made.text, sentences: made.sentences, ownWords, status: 'in draft' }, 'now')
  if (how === 'sentence') void nextTick(() => area.value?.setSelectionRange(caret, caret))
}

/**
 * Marks a finding's words in the editor. Where it is about the whole text nothing is marked: the next letter would take
 * its place.
 */
function show(finding: { start: number; end: number }): void {
  area.value?.focus()
  const isWhole = finding.start === 0 && finding.end >= text.value.trimEnd().length
  if (!isWhole) area.value?.setSelectionRange(finding.start, finding.end)
  else if (area.value?.selectionStart !== area.value?.selectionEnd) area.value?.setSelectionRange(caret(), caret())
}

/** Where the cursor stands. */
function caret(): number {
  return area.value?.selectionEnd ?? 0
}

const focus = (): void => area.value?.focus()

defineExpose({ show, caret, focus })

function finish(): void {
  const now = comment.value
  if (!now || now.text.trim() === '') return
  const { sentences, ownWords } = now
  put({ text: now.text, sentences, ownWords, status: now.status === 'finished' ? 'in draft' : 'finished' }, 'now')
}

async function goOn(by: 1 | -1): Promise<void> {
  await step(by)
  await nextTick()
  focus()
}

function onKey(event: KeyboardEvent): void {
  if (pressed(event, 'finish')) {
    event.preventDefault()
    if (comment.value?.status !== 'finished') finish()
    void goOn(1)
  } else if (pressed(event, 'reword')) {
    event.preventDefault()
    if (comment.value?.text) reword('sentence')
  } else if (pressed(event, 'nextStudent') || pressed(event, 'studentBefore')) {
    event.preventDefault()
    void goOn(pressed(event, 'nextStudent') ? 1 : -1)
  }
}

async function keep(which: 'mine' | 'other'): Promise<void> {
  const found = conflict.value
  if (!found) return
  if (which === 'mine') await saving.insist(found.entry)
  else await saving.letGo(found.entry)
  await classRecord.load()
}
</script>

<template>
  <div class="grid gap-3" @keydown="onKey">
    <div v-if="conflict" class="needs grid gap-2" role="alert">
      <p>This comment was changed elsewhere while you were writing. It now reads:</p>
      <p class="font-serif">{{ conflict.standing?.text || '(empty)' }}</p>
      <p>Yours reads:</p>
      <p class="font-serif">{{ conflict.mine.text }}</p>
      <div class="flex gap-3">
        <button type="button" class="press" @click="keep('mine')">Keep mine</button
        ><button type="button" class="quiet" @click="keep('other')">Take the other</button>
      </div>
    </div>
    <textarea
      ref="area"
      :value="text"
      :disabled="!may"
      rows="9"
      class="field w-full p-4 font-serif text-lg leading-relaxed"
      :class="comment && !comment.ownWords ? 'text-ink/85' : ''"
      :aria-label="`${box.name} for ${student.usedName}`"
      :aria-describedby="describedBy"
      :placeholder="`What would you like ${student.usedName}’s family to know?`"
      @beforeinput="setRight"
      @input="typed"
    />
    <div class="flex flex-wrap items-center gap-3 text-sm">
      <span :class="length > box.limit ? 'font-semibold text-needs' : 'text-muted'"
        >{{ length }} of {{ box.limit }} characters</span
      >
      <span v-if="full" class="text-needs" role="alert">No more fits in this box; what came last was left out.</span>
      <span v-if="comment?.text" class="text-muted">{{
        comment.status === 'finished' ? 'finished' : comment.ownWords ? 'own words' : 'composed draft'
      }}</span>
      <template v-if="may">
        <button v-if="!comment?.text" type="button" class="press ml-auto" @click="draft()">
          Draft from the record
        </button>
        <span v-else class="ml-auto" />
        <button type="button" class="quiet" :disabled="!comment?.text" @click="finish">
          {{ comment?.status === 'finished' ? 'Back to draft' : 'Finished' }}
        </button>
      </template>
      <button type="button" class="quiet" @click="goOn(-1)">{{ stepTitle(-1) }}</button>
      <button type="button" class="quiet" @click="goOn(1)">{{ stepTitle(1) }}</button>
    </div>
    <div v-if="may && comment?.text && comment.sentences.length > 0" class="flex flex-wrap items-center gap-3 text-sm">
      <button type="button" class="quiet" @click="reword('sentence')">Another wording of this sentence</button>
      <template v-if="!comment.ownWords">
        <button type="button" class="quiet" @click="reword('another')">Another wording of all</button>
        <button type="button" class="quiet" @click="reword('shorter')">Shorter</button>
        <button type="button" class="quiet" @click="reword('longer')">Longer</button>
      </template>
    </div>
    <p v-if="nothing" role="status" class="text-sm text-needs">{{ nothing }}</p>
    <p class="text-xs text-muted">
      <template v-for="([key, does], nth) in keys" :key="key"
        ><template v-if="nth > 0"> · </template><kbd>{{ key }}</kbd> {{ does }}</template
      >
    </p>
  </div>
</template>
