import type { HistoryAsked, HistoryEntry, StepsAnswer } from '../../contracts/history'
import { nextSteps, type Step } from '../../core/record/ownSteps'
import { allow, grantsIn } from '../access/grants'
import { recordReader } from '../access/recordReader'
import { Refusal } from '../access/refusal'
import { loadHistory, loadOwnSteps, versionsIn, type PastRow } from '../data/ownEvents'
import { loadPlace } from '../data/places'
import { worksAt } from '../data/works'
import { areSeen, setupOf, type Context, type Place } from './context'

/**
 * What the asker can take back next in a class, and bring back: whatever page or machine it was done on.
 * @param passed events that could not be undone
 */
export async function viewSteps(context: Context, place: Place, passed: readonly number[]): Promise<StepsAnswer> {
  const { room } = await loadPlace(context.db, place)
  allow(grantsIn(context.who, room).readsClass, 'see this class')
  const steps = await loadOwnSteps(context.db, { ...place, personId: context.who.personId })
  const { undo, again } = nextSteps(steps, new Set(passed))
  const versions = await versionsIn(
    context.db,
    [undo, again].flatMap((step) => step?.id ?? []),
  )
  const seen = <S extends Step>(step: S | null) => step && { ...step, seen: versions.get(step.id) ?? null }
  return { undo: seen(undo), again: seen(again) }
}

/** Who changed a value, when, from what to what; newest first, for whoever may see the value. */
export async function viewHistory(context: Context, place: Place, asked: HistoryAsked): Promise<HistoryEntry[]> {
  const { room, term, enrolled } = await loadPlace(context.db, { ...place, studentIds: [asked.student] })
  const grants = grantsIn(context.who, room)
  allow(grants.readsClass, 'see this class')
  if (!areSeen([asked.student], enrolled, grants)) throw new Refusal('not found', 'This student is not in the class.')
  const { sees } = recordReader(await setupOf(context, term.yearId), grants)
  const { of, student, about } = asked
  const ofTerm = { student_id: student, term_id: place.termId }
  const rows: Record<HistoryAsked['of'], () => Promise<[boolean, Pick<PastRow, 'table' | 'key'>]>> = {
    mark: () => Promise.resolve([sees('mark', about), { table: 'settled_mark', key: { ...ofTerm, subject: about } }]),
    skill: () =>
      Promise.resolve([sees('level', about), { table: 'settled_level', key: { ...ofTerm, kind: of, about } }]),
    habit: () => Promise.resolve([sees('habit'), { table: 'settled_level', key: { ...ofTerm, kind: of, about } }]),
    comment: () => Promise.resolve([sees('comment', about), { table: 'comment', key: { ...ofTerm, box: about } }]),
    result: async () => {
      const [work] = await worksAt(context.db, place, [about])
      const key = { work_id: about, student_id: student }
      return [work !== undefined && sees('work', work.subject), { table: 'result', key }]
    },
  }
  const [may, row] = await rows[of]()
  allow(may, 'see this')
  return loadHistory(context.db, { ...row, termId: place.termId, studentId: student })
}
