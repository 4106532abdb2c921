<script setup lang="ts">
import { answered, answerProblem, type AnsweredQuestion } from '~~/core/record/questions'
import { useClassRecord } from '~/stores/classRecord'

/** What lies behind one child's result: each question, the skill it shows, and what was reached. */
const props = defineProps<{ workId: string; studentId: string; may: boolean }>()
const classRecord = useClassRecord()
const questions = computed(() => {
  const { index } = classRecord
  return index ? answered(index.questionsOf(props.workId), index.answersOf(props.workId, props.studentId)) : []
})
const problem = ref('')
const isMeeting = useIsMeeting()
const skillOf = (id: string | null): string => {
  const skill = classRecord.record?.skills.find((each) => each.id === id)
  return skill && !(isMeeting && skill.teacherOnly) ? skill.statement : ''
}
const signs: Record<AnsweredQuestion['result'], string> = {
  'right': '✓',
  'partly right': '◐',
  'not right': '✗',
  'not answered': '–',
}

function give({ number, outOf, score: was }: AnsweredQuestion, input: HTMLInputElement): void {
  const written = input.value.trim().replace(',', '.')
  const score = written === '' ? null : Number(written)
  problem.value = score === null ? '' : (answerProblem(score, { number, outOf }) ?? '')
  if (problem.value === '')
    classRecord.giveAnswers([{ workId: props.workId, number, studentId: props.studentId, score }])
  else input.value = was === null ? '' : String(was)
}
</script>

<template>
  <div v-if="questions.length > 0" class="grid gap-1">
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <table class="w-full">
      <caption class="small-head text-left">
        Question by question
      </caption>
      <thead class="sr-only">
        <tr>
          <th scope="col">Question</th>
          <th scope="col">Reached</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in questions" :key="each.number" class="border-b border-rule align-top">
          <th scope="row" class="py-1 pr-2 text-left font-normal">
            <span :class="each.result === 'not right' ? 'font-semibold text-needs' : ''"
              ><span aria-hidden="true">{{ signs[each.result] }}</span> {{ each.number
              }}{{ each.words ? `. ${each.words}` : '' }}</span
            >
            <span class="sr-only">, {{ each.result }}</span>
            <span v-if="each.skill" class="block text-xs text-muted">{{ skillOf(each.skill) }}</span>
          </th>
          <td class="py-1 text-right whitespace-nowrap">
            <template v-if="may"
              ><input
                v-stands="each.score ?? ''"
                class="field w-14 py-0 text-right"
                inputmode="decimal"
                :aria-label="`Question ${each.number}, out of ${each.outOf}`"
                @change="give(each, $event.target as HTMLInputElement)"
              />
              / {{ each.outOf }}</template
            >
            <template v-else>{{ each.score ?? '–' }} / {{ each.outOf }}</template>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
