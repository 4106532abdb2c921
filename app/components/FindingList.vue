<script setup lang="ts">
import { mended } from '~~/core/checks/checkComment'
import { quotedWords, type Finding, type Mend } from '~~/core/checks/finding'
import type { CommentBox } from '~~/core/narrative/plan'
import type { Student } from '~~/core/record/roster'
import { useClassRecord } from '~/stores/classRecord'

/** What the checks found in one comment: why, the words, the mends, and "this is right". */
const props = defineProps<{
  student: Student
  box: CommentBox
  findings: Finding[]
  text: string
  may: boolean
  /** The one that is at hand. */
  turnedTo?: Finding | undefined
}>()
const emit = defineEmits<{ show: [finding: Finding] }>()
const classRecord = useClassRecord()

function mend(which: Mend): void {
  classRecord.rewrite(props.student.id, props.box.key, mended(props.text, which))
}

/** A finding about what is not written or settled yet cannot be right as it is. */
function canBeRight(finding: Finding): boolean {
  return !['empty', 'mark without comment', 'too long', 'not settled', 'out of step'].includes(finding.check)
}

function rightLabel({ check }: Finding): string {
  return check === 'read it first' ? 'I have read it' : 'This is right'
}

function words(finding: Finding): string {
  const found = props.text.slice(finding.start, finding.end)
  return found.length > 40 ? `${found.slice(0, 38)} …` : found
}
</script>

<template>
  <ul class="grid gap-2 text-sm">
    <li
      v-for="(finding, at) in findings"
      :key="`${at} ${finding.check} ${finding.start}`"
      class="needs flex flex-wrap gap-x-3 gap-y-0.5"
      :class="finding === turnedTo ? 'outline-2 outline-teal' : ''"
      :aria-current="finding === turnedTo ? 'true' : undefined"
    >
      <p class="min-w-0 flex-1 basis-60">
        <b class="font-semibold">{{ finding.check }}</b>
        <button
          v-if="quotedWords(finding, text) !== ''"
          type="button"
          class="font-serif text-left underline decoration-dotted underline-offset-2"
          @click="emit('show', finding)"
        >
          {{ words(finding) }}
        </button>
        {{ finding.why }}
      </p>
      <p v-if="may" class="flex flex-wrap items-start gap-x-3">
        <button
          v-for="each in finding.check === 'out of step' ? [] : finding.mends"
          :key="each.label"
          type="button"
          class="link"
          @click="mend(each)"
        >
          {{ each.label }}
        </button>
        <button
          v-if="canBeRight(finding)"
          type="button"
          class="link"
          :aria-label="`${rightLabel(finding)}: ${finding.check}`"
          @click="classRecord.acceptFinding(student.id, box.key, finding.check, quotedWords(finding, text))"
        >
          {{ rightLabel(finding) }}
        </button>
      </p>
    </li>
  </ul>
</template>
