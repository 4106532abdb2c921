<script setup lang="ts">
import type { Observation } from '~~/core/record/observations'
import { findLevel } from '~~/core/scales/scale'
import { scaleOfLevel } from '~~/core/school/scaleOfLevel'
import { useClassRecord } from '~/stores/classRecord'

/** The notes about a child this term, the latest first, each with what it is about and who is told of it. */
const { first = null } = defineProps<{
  /** What the notes that come first are about. */
  first?: string | null
  /** Whether the own notes can be changed from here. */
  changes?: boolean
}>()
const emit = defineEmits<{ change: [note: Observation] }>()
const classRecord = useClassRecord()
const aboutOf = useAboutOfNote()
const isMeeting = useIsMeeting()
const shown = useShown()

/** "O Often" */
function levelIn({ kind, about, symbol }: Observation): string {
  const { scale } = classRecord.record ? scaleOfLevel(classRecord.record, { kind, about }) : { scale: undefined }
  return `${symbol} ${(scale && findLevel(scale, symbol ?? '')?.name) ?? ''}`
}
const notes = computed(() => {
  const all = (classRecord.record?.observations ?? []).filter(
    ({ studentId, mayTell }) => studentId === shown.value.student?.id && (mayTell || !isMeeting),
  )
  const latest = all.toReversed()
  return first === null ? latest : latest.toSorted((a, b) => Number(b.about === first) - Number(a.about === first))
})
</script>

<template>
  <div>
    <p class="small-head">Notes</p>
    <ul>
      <li v-for="note in notes" :key="note.id" class="border-b border-rule py-1.5">
        <span class="block text-xs text-muted"
          >{{ note.date }}<template v-if="aboutOf(note)">, {{ aboutOf(note) }}</template
          ><template v-if="!note.own && note.by">, {{ note.by }}</template></span
        >
        <b v-if="note.symbol" class="font-semibold">{{ levelIn(note) }}</b> {{ note.text }}
        <span class="flex gap-3 text-xs"
          ><span v-if="!isMeeting" :class="note.mayTell ? 'text-teal' : 'text-muted'">{{
            note.mayTell ? 'may be told' : note.own ? 'for me' : 'not for the family'
          }}</span>
          <button
            v-if="changes && classRecord.may.notes && (note.own || (!note.by && classRecord.may.general))"
            type="button"
            class="link"
            @click="emit('change', note)"
          >
            Change<span class="sr-only"> the note of {{ note.date }}</span>
          </button></span
        >
      </li>
    </ul>
    <p v-if="notes.length === 0" class="text-muted">No notes about {{ shown.student?.usedName }} this term.</p>
  </div>
</template>
