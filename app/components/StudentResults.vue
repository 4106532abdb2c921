<script setup lang="ts">
import { markStory } from '~~/core/record/markStory'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** The results that one student's mark rests on, in the order that the reader likes. */
const classRecord = useClassRecord()
const shown = useShown()
const settings = useSettings()

const story = computed(() => {
  const { index, student } = shown.value
  const { subject } = classRecord
  return index && student && subject ? markStory(index, student.id, subject.key) : null
})
const categoryName = useCategoryName()
const lines = computed(() => {
  const { index, student } = shown.value
  const { subject } = classRecord
  if (!index || !student || !subject) return []
  const results = new Map(index.resultsOf(student.id, subject.key).map((result) => [result.workId, result]))
  const work = index.workOf(subject.key)
  const ordered = settings.own.workOrder === 'newest first' ? [...work].reverse() : work
  return ordered.map((piece) => ({ piece, result: results.get(piece.id) }))
})
/** Whose results are tried out; another student's are not, whoever is turned to. */
const trying = ref('')
/** The piece of work whose questions are looked at. */
const opened = ref('')
const answersOf = (workId: string) => shown.value.index?.answersOf(workId, shown.value.student?.id ?? '') ?? []
const here = computed(() => `${shown.value.student?.id} ${classRecord.subject?.key}`)
watch(here, () => (trying.value = ''))
</script>

<template>
  <div class="grid gap-4 text-sm">
    <p class="flex">
      <span class="flex-1 font-semibold">{{ shown.student?.usedName }}, {{ classRecord.subject?.name }}</span>
      <button v-if="lines.length > 0 && trying !== here" type="button" class="link" @click="trying = here">
        What if …
      </button>
    </p>
    <p v-if="lines.length === 0">No work is in yet.</p>
    <WhatIf
      v-else-if="trying === here && shown.student && classRecord.subject"
      :student-id="shown.student.id"
      :subject="classRecord.subject.key"
      :work="lines.map(({ piece }) => piece)"
      @done="trying = ''"
    />
    <ul v-else>
      <!-- What is far out of sight is not laid out: there may be two hundred. -->
      <li
        v-for="{ piece, result } in lines"
        :key="piece.id"
        v-memo="[piece, result, settings.own.lowBelow, settings.own.highFrom, answersOf(piece.id), opened]"
        class="far-line flex flex-wrap gap-2 border-b border-rule py-1"
      >
        <span class="min-w-0 flex-1"
          >{{ piece.title
          }}<span class="block text-xs text-muted"
            >{{ categoryName(piece.category) }}{{ piece.date ? `, ${piece.date}` : '' }}</span
          ></span
        >
        <span class="text-right">
          <template v-if="!result">no result</template>
          <template v-else
            ><StandsOut :percent="result.score === null ? null : (result.score / piece.outOf) * 100" />
            {{ result.score === null ? result.state : `${result.score} / ${piece.outOf}`
            }}<span v-if="result.state === 'late'" class="block text-xs text-muted">late</span>
            <span v-if="result.remark" class="block max-w-28 text-xs text-muted">{{ result.remark }}</span></template
          >
        </span>
        <template v-if="answersOf(piece.id).length > 0">
          <button
            type="button"
            class="link -mt-1 w-full text-left text-xs"
            :aria-expanded="opened === piece.id"
            @click="opened = opened === piece.id ? '' : piece.id"
          >
            {{ opened === piece.id ? 'Fold the questions' : 'Question by question' }}
          </button>
          <QuestionAnswers
            v-if="opened === piece.id && shown.student"
            class="w-full"
            :work-id="piece.id"
            :student-id="shown.student.id"
            :may="false"
          />
        </template>
      </li>
    </ul>
    <HowTheMarkCame v-if="story && trying !== here" :story="story" />
  </div>
</template>
