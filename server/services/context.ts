import type { Knex } from 'knex'
import { setupOfGrade } from '../../core/school/setupOfGrade'
import type { SchoolSetup } from '../../core/school/schoolSetup'
import { allow, grantsIn, underLock, type Grants, type Who } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change } from '../data/changes/changeableTables'
import type { Action } from '../data/changes/keptEvents'
import type { Recorded } from '../data/changes/recordChanges'
import { recordSave } from '../data/changes/recordTogether'
import type { RecordOptions } from '../data/changes/sortedOut'
import { loadPlace, type OpenedPlace } from '../data/places'
import { loadSchoolSetup, type YearSetup } from '../data/schoolSetup'

/** What every service works with: who asks, on which database, on which day (ISO date). */
export interface Context {
  readonly db: Knex
  readonly who: Who
  readonly today: string
  /** The school's years, oldest first, with the version of each one's set-up as it stood when the request came. */
  readonly years: readonly YearSetup[]
}

/** The class and term that something is about. */
export interface Place {
  readonly classId: string
  readonly termId: string
}

/**
 * A year's set-up, with the asker's own phrases where they are wanted.
 * @throws Refusal when there is no such year
 */
export function setupOf(context: Context, yearId: string, phrases?: 'with own phrases'): Promise<SchoolSetup> {
  const { db, who } = context
  return loadSchoolSetup(db, yearOf(context, yearId), phrases ? who.personId : null)
}

/** The set-up as it holds in a class that was looked up. */
export async function setupIn(
  context: Context,
  { term, room }: Pick<OpenedPlace, 'term' | 'room'>,
): Promise<SchoolSetup> {
  return setupOfGrade(await setupOf(context, term.yearId), room.grades)
}

/** @throws Refusal when there is no such year */
export function yearOf({ years }: Pick<Context, 'years'>, yearId: string): YearSetup {
  const year = years.find((each) => each.id === yearId)
  if (!year) throw new Refusal('not found', 'There is no such school year.')
  return year
}

/** The year of today, else the last one begun, else the first to come. @throws Refusal when there is none yet */
export function thisYear({ years, today }: Pick<Context, 'years' | 'today'>): YearSetup {
  const year = years.findLast((each) => each.starts <= today) ?? years[0]
  if (!year) throw new Refusal('not found', 'The school has not been set up yet.')
  return year
}

/** @throws Refusal when the asker may not see the class */
export async function requireSeen(context: Context, place: Place): Promise<void> {
  const { room } = await loadPlace(context.db, place)
  allow(grantsIn(context.who, room).readsClass, 'see this class')
}

/** A place that was opened for changes, with what the asker may do there. */
export type Opened = OpenedPlace & { readonly grants: Grants }

/**
 * Opens a place for changes: the term must be open there, or opened again, and the students in the class.
 * @throws Refusal
 */
export async function openPlace(context: Context, place: Place, studentIds: readonly string[] = []): Promise<Opened> {
  const opened = await loadPlace(context.db, { ...place, studentIds })
  const grants = grantsIn(context.who, opened.room)
  allow(grants.readsClass, 'see this class')
  const open = underLock(grants, opened, context.today)
  if (!areSeen(studentIds, opened.enrolled, grants)) {
    throw new Refusal('not found', 'This student is not in the class.')
  }
  return { ...opened, grants: open }
}

/** Whether all of these students are in the class, and there for the asker. */
export function areSeen(ids: readonly string[], enrolled: OpenedPlace['enrolled'], grants: Grants): boolean {
  return ids.every((id) => {
    const grade = enrolled.get(id)
    return grade !== undefined && grants.seesChild(grade)
  })
}

/** Makes changes whole or not at all, recorded as one event. */
export function save(
  { db, who }: Context,
  action: Omit<Action, 'personId'>,
  changes: readonly Change[],
  options?: RecordOptions,
): Promise<Recorded> {
  return recordSave(db, { action: { ...action, personId: who.personId }, changes, ...(options && { options }) })
}

/**
 * The same for changes that others follow (a sum its parts). What follows is found out anew where only that was changed
 * by somebody meanwhile: whoever asked has seen nothing of it, and is not asked about it.
 */
export async function saveWithFollowing(
  context: Context,
  action: Omit<Action, 'personId'>,
  { changes, following }: { changes: readonly Change[]; following: () => Promise<readonly Change[]> },
  options?: RecordOptions,
): Promise<Recorded> {
  const saving = async (): Promise<Recorded> => save(context, action, [...changes, ...(await following())], options)
  try {
    return await saving()
  } catch (error) {
    if (!(error instanceof Refusal) || error.kind !== 'conflict') throw error
    const { conflicts = [] } = (error.details ?? {}) as { conflicts?: { nth: number }[] }
    if (conflicts.length === 0 || conflicts.some(({ nth }) => nth < changes.length)) throw error
    return saving()
  }
}
