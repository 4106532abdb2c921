import type { TakersToWrite } from '../../contracts/takers'
import { allow, changesSchool, needFor } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change } from '../data/changes/changeableTables'
import { loadTakers } from '../data/takers'
import { openPlace, save, setupOf, type Context, type Place } from './context'

/**
 * Says of children of a class that they take a subject, or do not: for the whole year. Where that is what holds for the
 * rest, nothing is kept of it. What is settled and written stays, and counts again when they take it again. Whoever
 * changes the subject says so, or the school's coordinator.
 * @throws Refusal where somebody else has said otherwise meanwhile
 */
export async function writeTakers(
  context: Context,
  place: Place,
  { subject, choices }: TakersToWrite,
): Promise<number | null> {
  const ids = choices.map(({ studentId }) => studentId)
  if (new Set(ids).size < ids.length)
    throw new Refusal('invalid', 'The same child stands twice in this change. Nothing was changed.')
  const { grants, term } = await openPlace(context, place, ids)
  const { subjects } = await setupOf(context, term.yearId)
  const name = subjects.find(({ key }) => key === subject)?.name
  const need = grants.changes(needFor(subject)) ? needFor(subject) : ('school' as const)
  allow(name !== undefined && (need !== 'school' || changesSchool(context.who)), 'say who takes this subject')
  const takers = await loadTakers(context.db, { ...place, subject, today: context.today })
  const standing = new Map(takers.map((taker) => [taker.studentId, taker]))
  const changes = choices.flatMap(({ studentId, takes, was }): Change[] => {
    const { said = null, asTheRest = true } = standing.get(studentId) ?? {}
    if ((said ?? asTheRest) !== was)
      throw new Refusal('conflict', 'Somebody else has said who takes this subject meanwhile. Nothing was changed.')
    return [
      {
        table: 'subject_choice',
        key: { year_id: term.yearId, student_id: studentId, subject },
        seen: said === null ? null : { takes: said },
        after: takes === asTheRest ? null : { takes },
      },
    ]
  })
  return (await save(context, { ...place, kind: `said who takes ${name}`, needs: [need] }, changes)).event
}
