import type { RegisterToKeep } from '../../contracts/evidence'
import { groupBy } from '../../core/groupBy'
import { registerDayProblem, sumsAfter, type RegisterDay } from '../../core/record/register'
import type { Attendance } from '../../core/record/observations'
import { allow, grantsIn, type Need } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { loadPlace } from '../data/places'
import { attendanceOf, childrenOf, registerOf } from '../data/register'
import { openPlace, saveWithFollowing, type Context, type Opened, type Place } from './context'

/** The register of a class in a term, day by day. */
export async function readRegister(context: Context, place: Place): Promise<RegisterDay[]> {
  const { term, room } = await loadPlace(context.db, place)
  const grants = grantsIn(context.who, room)
  allow(grants.sees('attendance', null), 'see the register of this class')
  const children = (await childrenOf(context.db, place, context.today)).filter(({ grade }) => grants.seesChild(grade))
  const ids = children.map(({ id }) => id)
  return registerOf(context.db, ids, { from: term.starts, to: term.ends })
}

/** Keeps days of the register; the sums of the term follow (core/record/register.ts), in the same step. */
export async function keepRegister(
  context: Context,
  place: Place,
  days: readonly RegisterToKeep[],
): Promise<number | null> {
  const ids = [...new Set(days.map(({ studentId }) => studentId))]
  const opened = await openPlace(context, place, ids)
  const { changes, needs } = registerChanges(context, opened, days)
  const following = (): Promise<Change[]> => followingSums(context, place, days, opened.term)
  const kind = `kept ${new Set(days.map(({ day }) => day)).size === 1 ? 'a day' : 'some days'} of the register`
  const show = (row: Row | null): Row | null => (row && 'presence' in row ? { presence: row.presence ?? null } : row)
  return (await saveWithFollowing(context, { ...place, kind, needs }, { changes, following }, { show })).event
}

/** Days of the register, as changes. @throws Refusal */
export function registerChanges(
  { today }: Context,
  { grants, term }: Pick<Opened, 'grants' | 'term'>,
  days: readonly RegisterToKeep[],
): { changes: Change[]; needs: Need[] } {
  if (days.length === 0) return { changes: [], needs: [] }
  allow(grants.changes('general'), 'keep the register of this class')
  for (const { day } of days) {
    const problem = registerDayProblem(day, term, today)
    if (problem !== null) throw new Refusal('invalid', problem)
  }
  const changes = days.map(({ studentId, day, presence, was }): Change => ({
    table: 'register_day',
    key: { student_id: studentId, day },
    seen: was && { presence: was },
    after: presence && { presence },
  }))
  return { changes, needs: ['general'] }
}

async function followingSums(
  { db }: Context,
  { termId }: Place,
  days: readonly RegisterToKeep[],
  term: { starts: string; ends: string },
): Promise<Change[]> {
  const ids = [...new Set(days.map(({ studentId }) => studentId))]
  const standing = await registerOf(db, ids, { from: term.starts, to: term.ends })
  const had = groupBy(standing, ({ studentId }) => studentId)
  const sums = new Map((await attendanceOf(db, ids, termId)).map((each) => [each.studentId, each]))
  const row = ({ daysOpen, absences, lates }: Omit<Attendance, 'studentId'>): Row => ({
    days_open: daysOpen,
    absences,
    lates,
  })
  return [...groupBy(days, ({ studentId }) => studentId)].flatMap(([studentId, some]): Change[] => {
    const { studentId: _, ...before } = sums.get(studentId) ?? { studentId }
    const stands = 'daysOpen' in before ? before : null
    const byDay = new Map((had.get(studentId) ?? []).map(({ day, presence }) => [day, presence]))
    const presencesBefore = [...byDay.values()]
    for (const { day, presence } of some) {
      if (presence === null) byDay.delete(day)
      else byDay.set(day, presence)
    }
    const after = sumsAfter(presencesBefore, [...byDay.values()], stands)
    const key = { student_id: studentId, term_id: termId }
    return after === undefined
      ? []
      : [{ table: 'attendance', key, seen: stands && row(stands), after: after && row(after) }]
  })
}
