import type { HistoryAsked, HistoryEntry, StepsAnswer } from '../../contracts/history'
import { nextSteps } from '../../core/record/ownSteps'
import { readerOf } from '../access/cutRecord'
import { allow, grantsIn } from '../access/grants'
import { Refusal } from '../access/refusal'
import { loadHistory, loadOwnSteps, type PastRow } from '../data/ownEvents'
import { loadPlace } from '../data/places'
import { worksAt } from '../data/works'
import { setupOf, type Context, type Place } from './context'

/**
 * What the asker can take back next in a class, and bring back: whatever page or machine it was done on.
 * @param passed events that could not be undone
 */
export async function viewSteps(context: Context, place: Place, passed: readonly number[]): Promise<StepsAnswer> {
  const { room } = await loadPlace(context.db, place)
  allow(grantsIn(context.who, room).readsClass, 'see this class')
  const steps = await loadOwnSteps(context.db, { ...place, personId: context.who.personId })
  return nextSteps(steps, new Set(passed))
}

/** Who changed a value, when, from what to what; newest first, for whoever may see the value. */
export async function viewHistory(context: Context, place: Place, asked: HistoryAsked): Promise<HistoryEntry[]> {
  const { room, term, enrolled } = await loadPlace(context.db, { ...place, studentIds: [asked.student] })
  const grants = grantsIn(context.who, room)
  allow(grants.readsClass, 'see this class')
  if (!enrolled.has(asked.student)) throw new Refusal('not found', 'This student is not in the class.')
  const reads = readerOf(await setupOf(context, term.yearId), grants.readsSubject)
  const { of, student, about } = asked
  const ofTerm = { student_id: student, term_id: place.termId }
  const rows: Record<HistoryAsked['of'], () => Promise<[boolean, Pick<PastRow, 'table' | 'key'>]>> = {
    mark: () => Promise.resolve([reads.subject(about), { table: 'settled_mark', key: { ...ofTerm, subject: about } }]),
    skill: () => Promise.resolve([reads.skill(about), { table: 'settled_level', key: { ...ofTerm, kind: of, about } }]),
    habit: () => Promise.resolve([true, { table: 'settled_level', key: { ...ofTerm, kind: of, about } }]),
    comment: () => Promise.resolve([reads.box(about), { table: 'comment', key: { ...ofTerm, box: about } }]),
    result: async () => {
      const [work] = await worksAt(context.db, place, [about])
      const key = { work_id: about, student_id: student }
      return [work !== undefined && reads.subject(work.subject), { table: 'result', key }]
    },
  }
  const [may, row] = await rows[of]()
  allow(may, 'see this')
  return loadHistory(context.db, { ...row, termId: place.termId, studentId: student })
}
