<script setup lang="ts">
import { roundHalfUp } from '~~/core/marks/rounding'
import type { QuestionKept } from '~~/contracts/evidence'
import { planQuestions } from '~~/core/exchange/lists/planQuestions'
import { mostQuestions } from '~~/core/record/questions'
import type { SubjectWork } from '~~/core/record/termRecord'
import { useClassRecord } from '~/stores/classRecord'

/** The questions of a piece of work: what each is out of, which skill it shows, how the class did. */
const props = defineProps<{ work: SubjectWork }>()
const classRecord = useClassRecord()
const { busy, problem, attempt } = useAttempt()
const isOpen = ref(false)

const standing = computed((): QuestionKept[] =>
  (classRecord.index?.questionsOf(props.work.id) ?? []).map(({ number, words, skill, outOf }) => ({
    number,
    words,
    skill,
    outOf,
  })),
)
const { seen, wanted, isChanged, takeStanding } = useOwnCopy(() => standing.value)
const skills = computed(() => classRecord.record?.skills.filter(({ subject }) => subject === props.work.subject) ?? [])
const whole = computed(() => wanted.value.reduce((sum, { outOf }) => sum + (outOf || 0), 0))

/** How much of a question the class reached, in per cent; null where nobody has answered. */
function reached(number: number, outOf: number): number | null {
  const scores = (classRecord.record?.answers ?? []).filter(
    (each) => each.workId === props.work.id && each.number === number,
  )
  const sum = scores.reduce((all, { score }) => all + score, 0)
  return scores.length === 0 || outOf === 0 ? null : roundHalfUp((sum / scores.length / outOf) * 100)
}

function add(): void {
  const last = wanted.value.at(-1)
  const number = Math.max(0, ...wanted.value.map((each) => each.number)) + 1
  wanted.value = [...wanted.value, { number, words: '', skill: last?.skill ?? null, outOf: last?.outOf ?? 1 }]
}
function drop(number: number): void {
  wanted.value = wanted.value.filter((each) => each.number !== number)
}

function keep(): Promise<void> {
  return attempt(async () => {
    const { id: workId } = props.work
    await classRecord.keepQuestions({ workId, questions: wanted.value, was: seen.value, answers: [] })
    takeStanding()
  })
}

function plan(text: string) {
  const { index } = classRecord
  if (!index) throw new Error('The class is not here yet.')
  const { questions, answers, ...rest } = planQuestions(text, index, props.work)
  const take = (): Promise<void> =>
    classRecord.keepQuestions({
      workId: props.work.id,
      questions: questions.map(({ number, words, skill, outOf }) => ({ number, words, skill, outOf })),
      was: standing.value,
      answers: answers.map((answer) => {
        const had = index.answersOf(answer.workId, answer.studentId).find(({ number }) => number === answer.number)
        return { ...answer, was: had?.score ?? null }
      }),
    })
  return { ...rest, notes: [], take }
}
</script>

<template>
  <details class="border-t border-rule pt-2 text-sm" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="font-semibold">
      Questions<template v-if="standing.length > 0"> ({{ standing.length }})</template>
    </summary>
    <div v-if="isOpen" class="mt-2 grid gap-3">
      <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
      <form class="grid gap-2" aria-label="Questions" data-keeps @submit.prevent="keep">
        <table v-if="wanted.length > 0" class="w-full max-w-200">
          <thead>
            <tr class="text-left text-muted">
              <th scope="col" class="font-normal">Question</th>
              <th scope="col" class="font-normal">What is asked</th>
              <th scope="col" class="font-normal">Skill that it shows</th>
              <th scope="col" class="font-normal">Out of</th>
              <th scope="col" class="font-normal">Class</th>
              <td></td>
            </tr>
          </thead>
          <tbody>
            <tr v-for="each in wanted" :key="each.number">
              <th scope="row" class="pr-2 font-normal">{{ each.number }}</th>
              <td class="pr-2">
                <input
                  v-model="each.words"
                  class="field w-full"
                  maxlength="500"
                  :aria-label="`Question ${each.number}: what is asked`"
                />
              </td>
              <td class="max-w-70 pr-2">
                <select v-model="each.skill" class="field w-full" :aria-label="`Question ${each.number}: skill`">
                  <option :value="null">none</option>
                  <option v-for="skill in skills" :key="skill.id" :value="skill.id">{{ skill.statement }}</option>
                </select>
              </td>
              <td class="pr-2">
                <input
                  v-model.number="each.outOf"
                  class="field w-16"
                  type="number"
                  min="0.25"
                  step="any"
                  required
                  :aria-label="`Question ${each.number}: out of`"
                />
              </td>
              <td class="pr-2 text-right whitespace-nowrap">
                {{ reached(each.number, each.outOf) === null ? '' : `${reached(each.number, each.outOf)} %` }}
              </td>
              <td>
                <button
                  type="button"
                  class="link"
                  :aria-label="`Take question ${each.number} away`"
                  @click="drop(each.number)"
                >
                  Take away
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="wanted.length > 0 && Math.abs(whole - work.outOf) > 1e-9" class="text-muted">
          The questions are out of {{ whole }} together, the work out of {{ work.outOf }}: results do not follow them.
        </p>
        <p class="flex flex-wrap items-center gap-4">
          <button type="button" class="quiet" :disabled="wanted.length >= mostQuestions" @click="add">
            Add a question
          </button>
          <template v-if="isChanged">
            <button type="submit" class="press" :disabled="busy">Keep the questions</button>
            <button type="button" class="link" @click="takeStanding">Leave them as they stand</button>
          </template>
        </p>
      </form>
      <ListImport
        title="Bring the results of each question"
        columns="Name, Q1, Q2, Q3, with rows Out of and Skill above the children’s; or Name, Question, Score"
        :words="['value', 'values']"
        :plan="plan"
      />
    </div>
  </details>
</template>
