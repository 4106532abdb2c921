import type { ResultToWrite, WorkKept, WorkToWrite } from '../../contracts/results'
import { resultProblem } from '../../core/marks/resultProblem'
import { nameKey } from '../../core/people/names'
import { usualWeight } from '../../core/marks/usualWeight'
import { allow, needFor } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { answersOfWorks, questionsOfWorks } from '../data/questions'
import { categoriesAt, resultsOfWork, worksAt } from '../data/works'
import { openPlace, save, setupOf, type Context, type Place } from './context'

/** Keeps results as they are typed, or empties their cells. */
export async function writeResults(
  context: Context,
  place: Place,
  results: readonly ResultToWrite[],
): Promise<number | null> {
  const { grants } = await openPlace(
    context,
    place,
    results.map((each) => each.studentId),
  )
  const wanted = [...new Set(results.map((each) => each.workId))]
  const works = new Map((await worksAt(context.db, place, wanted)).map((work) => [work.id, work]))
  const subjects = new Set<string>()
  const changes = results.map(({ workId, studentId, result, was }): Change => {
    const work = works.get(workId)
    if (!work || !grants.readsSubject(work.subject)) throw new Refusal('not found', 'There is no such piece of work.')
    subjects.add(work.subject)
    const problem = result && resultProblem(result, work.outOf)
    if (problem) throw new Refusal('invalid', problem)
    return { table: 'result', key: { work_id: workId, student_id: studentId }, seen: was, after: result }
  })
  for (const subject of subjects) allow(grants.changes(needFor(subject)), 'give results in this subject')
  const kind = `gave ${results.length === 1 ? 'a result' : `${results.length} results`}`
  return (await save(context, { ...place, kind, needs: [...subjects].map(needFor) }, changes)).event
}

/** Adds a piece of work, changes it, or takes it away with its results; each is one step back. */
export async function writeWork(
  context: Context,
  place: Place,
  { id, subject, work, was }: WorkToWrite,
): Promise<number | null> {
  const { grants, term } = await openPlace(context, place)
  const known = (await setupOf(context, term.yearId)).subjects.find((each) => each.key === subject)
  allow(known !== undefined && grants.changes(needFor(subject)), `change the work in ${known?.name ?? 'this subject'}`)
  const [standing] = await worksAt(context.db, place, [id])
  if (was !== null && standing?.subject !== subject) throw new Refusal('not found', 'There is no such piece of work.')
  const results = was === null ? [] : await resultsOfWork(context.db, id)
  const most = Math.max(0, ...results.map(({ score }) => score ?? 0))
  if (work && work.outOf < most) throw new Refusal('invalid', `Somebody has ${most} in it: it is out of that at least.`)
  const here = { class_id: place.classId, subject, term_id: place.termId }
  const { key, added } = work ? await categoryFor(context, { ...place, subject }, work.category) : noCategory
  const changes: Change[] = [
    ...added,
    {
      table: 'work',
      key: { id },
      seen: was && { ...here, ...workRow(was, was.category) },
      after: work && { ...here, ...workRow(work, key) },
    },
    ...(work ? [] : await questionsGoing(context, id)),
    ...(work ? [] : results).map(({ studentId, ...result }): Change => ({
      table: 'result',
      key: { work_id: id, student_id: studentId },
      seen: result,
      after: null,
    })),
  ]
  const kind = was === null ? 'added a piece of work' : work ? 'changed a piece of work' : 'took a piece of work away'
  return (await save(context, { ...place, kind, needs: [needFor(subject)] }, changes).catch(refuseTwice)).event
}

/** A piece of work goes with its questions and what was answered in them. */
async function questionsGoing({ db }: Context, workId: string): Promise<Change[]> {
  const [questions, answers] = await Promise.all([questionsOfWorks(db, [workId]), answersOfWorks(db, [workId])])
  return [
    ...questions.map(({ number, words, skill, outOf }): Change => ({
      table: 'question',
      key: { work_id: workId, number },
      seen: { words, skill, out_of: outOf },
      after: null,
    })),
    ...answers.map(({ number, studentId, score }): Change => ({
      table: 'answer',
      key: { work_id: workId, number, student_id: studentId },
      seen: { score },
      after: null,
    })),
  ]
}

/** What taking a piece of work away asks of categories. */
const noCategory = { key: '', added: [] as Change[] }

/** A category by its key or its name; a new one weighs as much as the others do. */
async function categoryFor(
  { db }: Context,
  { classId, subject }: { classId: string; subject: string },
  wanted: string,
): Promise<{ key: string; added: Change[] }> {
  const categories = await categoriesAt(db, { classId, subject })
  const standing = categories.find(({ key, name }) => key === wanted || nameKey(name) === nameKey(wanted))
  if (standing) return { key: standing.key, added: [] }
  const name = wanted.trim()
  const after = { name, weight: usualWeight(categories) }
  return {
    key: name,
    added: [{ table: 'category', key: { class_id: classId, subject, key: name }, seen: null, after }],
  }
}

function workRow({ title, date, outOf, weight, counts }: WorkKept, category: string): Row {
  return { title, category, done_on: date, out_of: outOf, weight, counts }
}

/** PostgreSQL's unique_violation. */
function refuseTwice(error: unknown): never {
  if (error instanceof Error && 'code' in error && error.code === '23505')
    throw new Refusal('invalid', 'There is a piece of work of this name in the subject already.')
  throw error
}
