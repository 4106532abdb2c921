<script setup lang="ts">
import { assertNever } from '~~/core/assertNever'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import type { PlainToken } from '~~/core/narrative/notation'
import { parsePhrase } from '~~/core/narrative/notation'
import { writeOutContractions } from '~~/core/narrative/frame/contractions'
import type { Frame, FramePiece } from '~~/core/narrative/frame/frame'
import { frameNotation, frameParts, readOtherwise, recogniseFrame } from '~~/core/narrative/frame/recogniseFrame'
import { frameOfPhrase } from '~~/core/narrative/frame/frameOfPhrase'
import { she } from '~~/core/people/pronouns'
import { useClassRecord } from '~/stores/classRecord'

/**
 * Writing a phrase in plain English about one student: what varies is found while it is typed, shown as marked words,
 * and corrected with a click; what is doubtful is asked.
 */
const notation = defineModel<string>({ required: true })
const props = defineProps<{ alwaysNamed: boolean }>()
const classRecord = useClassRecord()

const frame = shallowRef<Frame>(frameFrom(notation.value))
/** What this editor has given out, so that only a phrase from outside is taken in anew. */
let given = notation.value
watch(notation, (now) => {
  if (now !== given) frame.value = frameFrom(now)
  given = now
})

function frameFrom(text: string): Frame {
  try {
    return frameOfPhrase(parsePhrase(text), 'Maya', she)
  } catch {
    return { text, pieces: [] }
  }
}

function typed(event: Event): void {
  const { record } = classRecord
  const area = event.target as HTMLTextAreaElement
  const caret = area.selectionEnd
  const text = writeOutContractions(area.value)
  const moved = caret + text.length - area.value.length
  take(
    recogniseFrame(text, {
      names: ['Maya', ...(record?.students ?? []).map((student) => student.usedName)],
      pronounSets: (record?.students ?? []).flatMap((student) =>
        student.pronouns === 'name only' ? [] : [student.pronouns],
      ),
      describing: new Set(Object.values(record?.phrasebook.describing ?? {}).flat()),
      alwaysNamed: props.alwaysNamed,
    }),
  )
  // A contraction that was written out has moved what follows it.
  if (moved !== caret) void nextTick(() => area.setSelectionRange(moved, moved))
}

function take(next: Frame): void {
  frame.value = next
  given = frameNotation(next)
  notation.value = given
}

const parts = computed(() =>
  frameParts(frame.value).map(({ text, piece }) => ({ text, piece: piece && frame.value.pieces.indexOf(piece) })),
)
const doubts = computed(() => frame.value.pieces.flatMap((piece, at) => (piece.doubt ? [{ piece, at }] : [])))

/** The readings that are not the one it has. */
function otherReadings(piece: FramePiece | undefined): { other: PlainToken; which: number }[] {
  return (piece?.others ?? []).flatMap((other, which) =>
    JSON.stringify(other) === JSON.stringify(piece?.token) ? [] : [{ other, which }],
  )
}

const pronounNames = {
  subject: 'they',
  object: 'them',
  determiner: 'their',
  possessive: 'theirs',
  reflexive: 'themself',
}
function nameOf(token: PlainToken): string {
  switch (token.kind) {
    case 'words':
      return 'just these words'
    case 'name':
      return token.possessive ? 'always the name’s' : 'always the name'
    case 'pronoun':
      return `the student, as in “${pronounNames[token.case]}”`
    case 'verb':
      return 'a verb that agrees'
    case 'article':
      return 'a or an'
    case 'describing':
      return 'a describing word'
    case 'fact':
      return token.fact
    default:
      return assertNever(token)
  }
}
</script>

<template>
  <div class="grid gap-2">
    <label class="grid gap-1 text-sm"
      >Write it about one student, in plain English
      <textarea
        :value="frame.text"
        rows="3"
        class="field font-serif text-base"
        placeholder="Maya has a thorough grasp of number and checks her work."
        @input="typed"
      />
    </label>
    <p
      v-if="parts.some((part) => part.piece !== null || part.text.includes('{'))"
      class="border-l-2 border-teal pl-3 font-serif leading-8"
      aria-label="What varies"
    >
      <template v-for="(part, at) in parts" :key="at">
        <Menu v-if="part.piece !== null" as="span" class="relative inline-block">
          <MenuButton
            class="rounded-sm border-b-2 px-0.5"
            :class="frame.pieces[part.piece]?.doubt ? 'border-needs bg-needs-wash' : 'border-teal bg-teal-wash'"
            :aria-label="`${part.text}: ${nameOf(frame.pieces[part.piece]?.token ?? { kind: 'words', text: '' })}`"
            >{{ part.text }}</MenuButton
          >
          <MenuItems
            class="absolute left-0 z-10 grid min-w-52 border border-edge bg-sheet py-1"
            :class="'font-sans text-sm/normal shadow-md'"
          >
            <p class="px-3 py-1 text-muted">
              {{ nameOf(frame.pieces[part.piece]?.token ?? { kind: 'words', text: '' }) }}
            </p>
            <MenuItem
              v-for="{ other, which } in otherReadings(frame.pieces[part.piece])"
              :key="which"
              v-slot="{ active }"
            >
              <button
                type="button"
                class="px-3 py-1 text-left"
                :class="active ? 'bg-teal text-on-teal' : ''"
                @click="take(readOtherwise(frame, part.piece, which))"
              >
                {{ nameOf(other) }}
              </button>
            </MenuItem>
          </MenuItems>
        </Menu>
        <SlotWords v-else :text="part.text" />
      </template>
    </p>
    <div v-for="{ piece, at } in doubts" :key="at" class="needs flex flex-wrap gap-x-4 text-sm">
      <span>{{ piece.doubt }}</span>
      <button
        type="button"
        class="link"
        @click="
          take({
            ...frame,
            pieces: frame.pieces.map((each, which) => (which === at ? { ...each, doubt: null } : each)),
          })
        "
      >
        {{ nameOf(piece.token) }}
      </button>
      <button
        v-for="{ other, which } in otherReadings(piece)"
        :key="which"
        type="button"
        class="link"
        @click="take(readOtherwise(frame, at, which))"
      >
        {{ nameOf(other) }}
      </button>
    </div>
  </div>
</template>
