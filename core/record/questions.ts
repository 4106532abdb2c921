/** A paper has no more. */
export const mostQuestions = 200

/** A question of a piece of work. */
export interface Question {
  readonly workId: string
  /** From 1, in the order of the paper. */
  readonly number: number
  /** What is asked, in few words; may be empty. */
  readonly words: string
  /** The id of the skill that it shows; null for none. */
  readonly skill: string | null
  readonly outOf: number
}

/** What a child reached in a question. */
export interface Answer {
  readonly workId: string
  readonly number: number
  readonly studentId: string
  readonly score: number
}

/** A piece of work's answers as they travel: for each child the numbers and scores, one after the other. */
export type PackedAnswers = readonly (readonly [
  workId: string,
  cells: readonly (readonly [studentId: string, numbersAndScores: readonly number[]])[],
])[]

/** @example unpackAnswers([['quiz', [['maya', [1, 2, 3, 0]]]]]) // Maya has 2 in the first question, 0 in the third */
export function unpackAnswers(packed: PackedAnswers): Answer[] {
  return packed.flatMap(([workId, cells]) =>
    cells.flatMap(([studentId, pairs]) =>
      pairs.flatMap((number, at) => (at % 2 === 0 ? [{ workId, number, studentId, score: pairs[at + 1] ?? 0 }] : [])),
    ),
  )
}

/** Why a score cannot stand for a question, in words; null where it can. */
export function answerProblem(score: number, { number, outOf }: Pick<Question, 'number' | 'outOf'>): string | null {
  if (Number.isFinite(score) && score >= 0 && score <= outOf) return null
  return `Question ${number} is out of ${outOf}: write a number from 0 to ${outOf}.`
}

/** What a child reached in all the questions together; null where there is no answer. */
export function sumOfAnswers(answers: readonly Pick<Answer, 'score'>[]): number | null {
  return answers.length === 0 ? null : answers.reduce((sum, { score }) => sum + score, 0)
}

/** Where a question went for one child. */
export interface AnsweredQuestion extends Question {
  /** Null where there is no answer. */
  readonly score: number | null
  readonly result: 'right' | 'partly right' | 'not right' | 'not answered'
}

/**
 * The questions of a piece of work with what one child reached in each, in their order.
 * @example answered([{ number: 1, outOf: 2, … }], [{ number: 1, score: 1 }])[0]?.result // 'partly right'
 */
export function answered(
  questions: readonly Question[],
  answers: readonly Pick<Answer, 'number' | 'score'>[],
): AnsweredQuestion[] {
  const scores = new Map(answers.map(({ number, score }) => [number, score]))
  return questions
    .toSorted((a, b) => a.number - b.number)
    .map((question) => {
      const score = scores.get(question.number) ?? null
      return { ...question, score, result: resultOf(score, question.outOf) }
    })
}

function resultOf(score: number | null, outOf: number): AnsweredQuestion['result'] {
  if (score === null) return 'not answered'
  if (score >= outOf) return 'right'
  return score > 0 ? 'partly right' : 'not right'
}
