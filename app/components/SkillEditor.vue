<script setup lang="ts">
import type { SkillRow, SubjectRow } from '~~/contracts/ownSetup'
import { readGrades, writeGrades } from '~~/core/people/gradeRange'
import { nameOfStrand, strandCalled } from '~~/core/school/strand'
import { skillWords } from '~~/core/narrative/skillWords'

/** One skill: its words, whom it is for, and how a comment would tell it. */
const props = defineProps<{
  skill: SkillRow
  subject: SubjectRow
  /** Keys of the subject's strands. */
  strands: readonly string[]
  uses: number
}>()
const emit = defineEmits<{ change: [part: Partial<SkillRow>] }>()
const wrongGrades = ref(false)

function change(part: Partial<SkillRow>): void {
  emit('change', part)
}

/** Words for families are those of the skill until somebody writes others. */
function changeStatement(statement: string): void {
  const same = props.skill.familyWords === props.skill.statement
  change({ statement, ...(same ? { familyWords: statement, does: '' } : {}) })
}

function changeGrades(written: string): void {
  const grades = readGrades(written)
  wrongGrades.value = grades === undefined
  if (grades !== undefined) change({ grades })
}

const told = computed(() => skillWords(props.skill.does || props.skill.familyWords))
/** The words as they follow a name, each with whether it is a verb. */
const words = computed(() =>
  (told.value?.does ?? '').split(/(\{[^}]*\}|\s+)/).flatMap((word) => {
    if (word.trim() === '') return []
    const verb = /^\{(.*)\}$/.exec(word)?.[1]
    return [{ text: verb ?? word, isVerb: verb !== undefined }]
  }),
)

/** A click says that a word is a verb, or that it is none. */
function turn(at: number): void {
  const does = words.value
    .map(({ text, isVerb }, nth) => ((nth === at) !== isVerb ? `{${text}}` : text))
    .join(' ')
    .replace(/\{([^}]*?)([,.;:]*)\}/g, '{$1}$2')
    .replace(/ ([,.;:])/g, '$1')
  change({ does })
}
</script>

<template>
  <li class="grid gap-1 border-b border-rule py-3" :class="skill.retired ? 'text-muted' : ''">
    <div class="flex flex-wrap items-end gap-x-3 gap-y-1 text-sm">
      <label class="grid flex-1 basis-64 gap-0.5"
        ><span class="text-muted">Skill</span>
        <input v-stands.asked="skill.statement" class="field" @change="changeStatement(valueOf($event))"
      /></label>
      <label class="grid basis-36 gap-0.5"
        ><span class="text-muted">Strand</span>
        <input
          v-stands.asked="nameOfStrand(subject, skill.strand)"
          class="field w-36"
          @change="change({ strand: strandCalled(subject, strands, valueOf($event).trim()) })"
      /></label>
      <label class="grid gap-0.5"
        ><span class="text-muted">Grades</span>
        <input
          v-stands.asked="writeGrades(skill.grades)"
          class="field w-20"
          placeholder="all"
          @change="changeGrades(valueOf($event))"
      /></label>
      <RetireButton :retired="skill.retired" :name="skill.statement" @turn="change({ retired: !skill.retired })" />
    </div>
    <p v-if="wrongGrades" class="needs text-sm" role="alert">Write grades as 4-6 or 5, or leave it empty for all.</p>
    <p v-if="skill.teacherOnly" class="text-sm text-muted">For teachers only: no report and no comment tells it.</p>
    <p v-else-if="told" class="text-sm">
      <span class="text-muted">A comment says: </span>
      <span class="font-serif"
        >Maya
        <template v-for="(word, at) in words" :key="at"
          ><template v-if="!/\p{L}/u.test(word.text)">{{ word.text }}</template
          ><button
            v-else
            type="button"
            class="hover:bg-teal-wash"
            :class="word.isVerb ? 'border-b-2 border-teal' : ''"
            :aria-pressed="word.isVerb"
            :aria-label="`${word.text}, ${word.isVerb ? 'a verb' : 'no verb'}`"
            @click="turn(at)"
          >
            {{ word.text }}</button
          >{{ ' ' }}</template
        ></span
      >
      <span class="text-muted">&nbsp;· is learning to</span> <span class="font-serif">{{ told.do }}</span>
      <span class="text-muted">&nbsp;· is good at</span> <span class="font-serif">{{ told.doing }}</span>
    </p>
    <p v-else class="needs text-sm">
      No comment can say this as it is written. What does a child do who can do this? Write it below, in the words for
      families, as in “Adds large numbers”.
    </p>
    <details class="text-sm">
      <summary class="link w-fit cursor-pointer">
        Words for families<template v-if="skill.teacherOnly">; for teachers only</template> · {{ restsOn(uses) }}
      </summary>
      <div class="mt-1 flex flex-wrap items-center gap-4">
        <label class="grid flex-1 basis-64 gap-0.5"
          ><span class="text-muted">As families read it on the report</span>
          <input
            v-stands.asked="skill.familyWords"
            class="field"
            @change="change({ familyWords: valueOf($event), does: '' })"
        /></label>
        <label class="flex items-center gap-2"
          ><input
            type="checkbox"
            :checked="skill.teacherOnly"
            @change="change({ teacherOnly: ($event.target as HTMLInputElement).checked })"
          />
          for teachers only, never on the report</label
        >
      </div>
    </details>
  </li>
</template>
