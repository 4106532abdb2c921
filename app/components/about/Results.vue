<script setup lang="ts">
import { passLineOf } from '~~/core/marks/markRules'
import { median } from '~~/core/marks/middle'
import { spokenResult } from '~~/core/marks/resultText'
import { percentText } from '~~/core/marks/rounding'
import { resultPercent } from '~~/core/marks/termMark'
import type { Student } from '~~/core/record/roster'
import type { Subject } from '~~/core/school/schoolSetup'
import { shortDay } from '~~/core/reports/longDate'
import { useClassRecord } from '~/stores/classRecord'

/** One student's results in a subject in the order of time; a result opens to its questions. */
const props = defineProps<{
  student: Student
  subject: Subject
  /** Whether the middle of the class is shown. */
  withClass: boolean
}>()
const classRecord = useClassRecord()
const isMeeting = useIsMeeting()
const opened = ref('')

const lines = computed(() => {
  const { index } = classRecord
  if (!index) return []
  const rules = index.rulesOf(props.subject.key)
  return index.workOf(props.subject.key).map((piece) => {
    const result = index.resultOf(piece.id, props.student.id)
    return { piece, result, percent: result ? resultPercent(piece, result, rules) : null }
  })
})
const points = computed(() =>
  lines.value.flatMap(({ piece, result, percent }) =>
    percent === null || result?.score == null
      ? []
      : [
          {
            key: piece.id,
            title: piece.title,
            when: piece.date ? shortDay(piece.date) : '',
            percent,
            shown: percentText(percent),
          },
        ],
  ),
)
const middles = computed(() => {
  const { index } = classRecord
  if (!index || !props.withClass) return undefined
  return new Map(
    lines.value.flatMap(({ piece }) => {
      const shares = [...index.resultsOfWork(piece.id).values()].flatMap(({ score }) =>
        score === null ? [] : [(score / piece.outOf) * 100],
      )
      const middle = median(shares)
      return middle === null ? [] : [[piece.id, middle] as const]
    }),
  )
})
const passLine = computed(() => {
  const rules = classRecord.index?.rulesOf(props.subject.key)
  return rules ? passLineOf(rules).percent : null
})
const isAsked = (workId: string): boolean => (classRecord.index?.answersOf(workId, props.student.id) ?? []).length > 0
</script>

<template>
  <section :aria-label="`Results in ${subject.name}`" class="grid content-start gap-2">
    <h2 class="text-lg font-semibold">Results in {{ subject.name }}</h2>
    <slot />
    <p v-if="lines.length === 0" class="text-muted">No work of {{ subject.name }} is in yet.</p>
    <PointsChart
      :name="`Results of ${student.usedName} in ${subject.name}`"
      :points="points"
      :pass-line="passLine"
      :middles="middles"
    />
    <ul class="text-sm">
      <li v-for="{ piece, result } in lines" :key="piece.id" class="far-line border-b border-rule py-1">
        <p class="flex gap-3">
          <span class="min-w-0 flex-1"
            >{{ piece.title }} <span v-if="piece.date" class="text-muted">{{ shortDay(piece.date) }}</span></span
          >
          <span>{{ result ? spokenResult(result, piece.outOf) : 'no result' }}</span>
        </p>
        <p v-if="result?.remark && !isMeeting" class="text-muted">{{ result.remark }}</p>
        <button
          v-if="isAsked(piece.id)"
          type="button"
          class="link"
          :aria-expanded="opened === piece.id"
          @click="opened = opened === piece.id ? '' : piece.id"
        >
          {{ opened === piece.id ? 'Fold the questions' : 'Question by question'
          }}<span class="sr-only"> of {{ piece.title }}</span>
        </button>
        <QuestionAnswers v-if="opened === piece.id" :work-id="piece.id" :student-id="student.id" :may="false" />
      </li>
    </ul>
  </section>
</template>
