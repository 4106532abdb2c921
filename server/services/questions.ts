import type { AnswerToWrite, QuestionsToKeep } from '../../contracts/evidence'
import { groupBy } from '../../core/groupBy'
import { answerProblem, sumOfAnswers, type Answer, type Question } from '../../core/record/questions'
import { resultsThatFollow, type ResultPlace } from '../../core/record/resultOfAnswers'
import { allow, needFor } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { answersOfWorks, questionsOfWorks, resultsOfWorks } from '../data/questions'
import { worksAt, type WorkAt } from '../data/works'
import { openPlace, saveWithFollowing, setupOf, type Context, type Opened, type Place } from './context'

/** Keeps what children reached in questions; a result that is their sum follows (core/record/resultOfAnswers.ts). */
export async function writeAnswers(
  context: Context,
  place: Place,
  answers: readonly AnswerToWrite[],
): Promise<number | null> {
  const { works, needs } = await openWorks(context, place, answers)
  const questions = await questionsOfWorks(context.db, [...works.keys()])
  const standing = await answersOfWorks(context.db, [...works.keys()])
  const changes = answerChanges(questions, answers)
  const kind = `gave ${answers.length === 1 ? 'a question’s result' : `${answers.length} questions’ results`}`
  const following = (): Promise<Change[]> => followingResults(context.db, { works, questions, standing }, answers)
  const show = (row: Row | null): Row | null => row && { score: row.score ?? null }
  return (await saveWithFollowing(context, { ...place, kind, needs }, { changes, following }, { show })).event
}

/** Keeps the questions of a piece of work, with answers that come along: one step back. */
export async function keepQuestions(
  context: Context,
  place: Place,
  { workId, questions, was, answers }: QuestionsToKeep,
): Promise<number | null> {
  if (answers.some((each) => each.workId !== workId)) throw new Refusal('invalid', 'These answers are of other work.')
  const { works, needs, opened } = await openWorks(context, place, [{ workId }, ...answers])
  const { skills } = await setupOf(context, opened.term.yearId)
  const own = new Set(skills.filter(({ subject }) => subject === works.get(workId)?.subject).map(({ id }) => id))
  if (questions.some(({ skill }) => skill !== null && !own.has(skill)))
    throw new Refusal('invalid', 'A question shows a skill of its own subject, or none.')
  const standing = await answersOfWorks(context.db, [workId])
  const now = questions.map((question): Question => ({ ...question, workId }))
  const gone = was.filter(({ number }) => !now.some((each) => each.number === number))
  const all = withoutGone(standing, gone, answers)
  const given = new Set(all.map((each) => `${each.studentId} ${each.number}`))
  refuseTooMuch(
    now,
    standing.filter(({ studentId, number }) => !given.has(`${studentId} ${number}`)),
  )
  const row = ({ words, skill, outOf }: Omit<Question, 'workId' | 'number'>): Row => ({ words, skill, out_of: outOf })
  const changes: Change[] = [
    ...now.map((question): Change => {
      const before = was.find(({ number }) => number === question.number)
      const key = { work_id: workId, number: question.number }
      return { table: 'question', key, seen: before ? row(before) : null, after: row(question) }
    }),
    ...gone.map((before): Change => {
      return { table: 'question', key: { work_id: workId, number: before.number }, seen: row(before), after: null }
    }),
    ...answerChanges(now, all),
  ]
  const following = (): Promise<Change[]> => followingResults(context.db, { works, questions: now, standing }, all)
  const kind = 'kept the questions of a piece of work'
  return (await saveWithFollowing(context, { ...place, kind, needs }, { changes, following })).event
}

/** The answers that come along, and those that go with their question. */
function withoutGone(
  standing: readonly Answer[],
  gone: readonly { number: number }[],
  answers: readonly AnswerToWrite[],
): AnswerToWrite[] {
  const numbers = new Set(gone.map(({ number }) => number))
  const going = standing.filter(({ number }) => numbers.has(number))
  return [...answers, ...going.map((answer): AnswerToWrite => ({ ...answer, was: answer.score, score: null }))]
}

/** @throws Refusal where a piece of work is not there, or not the asker's to give results in */
async function openWorks(
  context: Context,
  place: Place,
  asked: readonly { workId: string; studentId?: string }[],
): Promise<{ opened: Opened; works: Map<string, WorkAt>; needs: ReturnType<typeof needFor>[] }> {
  const students = asked.flatMap(({ studentId }) => studentId ?? [])
  const opened = await openPlace(context, place, students)
  const ids = [...new Set(asked.map(({ workId }) => workId))]
  const works = new Map((await worksAt(context.db, place, ids)).map((work) => [work.id, work]))
  const { grants } = opened
  const isRead = (id: string): boolean => {
    const work = works.get(id)
    return work !== undefined && grants.readsSubject(work.subject)
  }
  if (!ids.every(isRead)) throw new Refusal('not found', 'There is no such piece of work.')
  const needs = [...new Set([...works.values()].map(({ subject }) => needFor(subject)))]
  for (const need of needs) allow(grants.changes(need), 'give results in this subject')
  return { opened, works, needs }
}

/** @throws Refusal where a question is not there, or the score is more than it is out of */
function answerChanges(questions: readonly Question[], answers: readonly AnswerToWrite[]): Change[] {
  const byNumber = new Map(questions.map((question) => [`${question.workId} ${question.number}`, question]))
  return answers.map(({ workId, number, studentId, score, was }): Change => {
    const question = byNumber.get(`${workId} ${number}`)
    if (!question && score !== null)
      throw new Refusal('not found', `There is no question ${number} in this piece of work.`)
    const problem = question && score !== null ? answerProblem(score, question) : null
    if (problem !== null) throw new Refusal('invalid', problem)
    return {
      table: 'answer',
      key: { work_id: workId, number, student_id: studentId },
      seen: was === null ? null : { score: was },
      after: score === null ? null : { score },
    }
  })
}

/** @throws Refusal where somebody has more in a question than it shall be out of */
function refuseTooMuch(questions: readonly Question[], standing: readonly Answer[]): void {
  const byNumber = new Map(questions.map((question) => [question.number, question]))
  for (const { number, score } of standing) {
    const question = byNumber.get(number)
    const problem = question ? answerProblem(score, question) : null
    if (problem !== null) throw new Refusal('invalid', problem)
  }
}

async function followingResults(
  db: Context['db'],
  {
    works,
    questions,
    standing,
  }: { works: ReadonlyMap<string, WorkAt>; questions: readonly Question[]; standing: readonly Answer[] },
  answers: readonly AnswerToWrite[],
): Promise<Change[]> {
  const resultKey = (each: ResultPlace): string => `${each.workId} ${each.studentId}`
  const had = groupBy(standing, resultKey)
  const given = groupBy(answers, resultKey)
  const results = new Map((await resultsOfWorks(db, [...works.keys()])).map((result) => [resultKey(result), result]))
  const sums = (place: ResultPlace): { before: number | null; after: number | null } => {
    const before = had.get(resultKey(place)) ?? []
    const now = given.get(resultKey(place)) ?? []
    const kept = before.filter(({ number }) => !now.some((each) => each.number === number))
    const scored = now.flatMap(({ score }) => (score === null ? [] : [{ score }]))
    return { before: sumOfAnswers(before), after: sumOfAnswers([...kept, ...scored]) }
  }
  const following = resultsThatFollow(answers, {
    outOfWork: (id) => works.get(id)?.outOf,
    outOfQuestions: (id) =>
      questions.filter(({ workId }) => workId === id).reduce((whole, { outOf }) => whole + outOf, 0),
    sums,
    result: (place) => results.get(resultKey(place)) ?? null,
  })
  return following.map(({ workId, studentId, result }): Change => {
    const before = results.get(resultKey({ workId, studentId }))
    const seen = before ? { state: before.state, score: before.score, remark: before.remark } : null
    return { table: 'result', key: { work_id: workId, student_id: studentId }, seen, after: result }
  })
}
