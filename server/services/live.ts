import type { News } from '../../contracts/live'
import { readerOf, type Reader } from '../access/cutRecord'
import { allow, grantsIn } from '../access/grants'
import type { ChangeableTable } from '../data/changes/changeableTables'
import { isTold, loadCells, loadToldEvents, type StandingCells, type ToldEvent } from '../data/eventNews'
import { loadPlace } from '../data/places'
import { childrenOf } from '../data/register'
import { setupOf, type Context, type Place } from './context'

/** Somebody who looks at a class in a term. */
export interface Viewer extends Place {
  readonly personId: string
  /** The children of the class, whoever changes something about them, in whatever class. */
  readonly pupils: ReadonlySet<string>
  readonly reads: Reader
}

/** Who looks, with what they may see there now. @throws Refusal when they may not see the class (any more) */
export async function viewerOf(context: Context, place: Place): Promise<Viewer> {
  const { room, term } = await loadPlace(context.db, place)
  const grants = grantsIn(context.who, room)
  allow(grants.readsClass, 'see this class')
  const [setup, pupils] = await Promise.all([
    setupOf(context, term.yearId),
    childrenOf(context.db, place, context.today),
  ])
  return {
    ...place,
    personId: context.who.personId,
    pupils: new Set(pupils),
    reads: readerOf(setup, grants.readsSubject),
  }
}

/** Events, and the cells they were about, as they stand. */
export interface Happened {
  readonly events: readonly ToldEvent[]
  readonly cells: StandingCells
}

export async function loadHappened(db: Context['db'], ids: readonly number[]): Promise<Happened> {
  const events = await loadToldEvents(db, ids)
  return {
    events,
    cells: await loadCells(
      db,
      events.flatMap(({ changes }) => changes),
    ),
  }
}

/** What nobody sees in a class: own settings, contacts, who signs in, rules about what is kept. */
const notOfClasses: ReadonlySet<ChangeableTable> = new Set<ChangeableTable>([
  'person_setting',
  'contact',
  'care_rule',
  'person',
])

/** What of it a viewer is told; null where nothing of it concerns them. */
export function newsFor(
  { termId, classId, pupils, reads, personId }: Viewer,
  { events, cells }: Happened,
): News | null {
  const isHere = (each: { termId: string; studentId: string }): boolean =>
    each.termId === termId && pupils.has(each.studentId)
  const comments = cells.comments.filter((each) => isHere(each) && reads.box(each.box))
  const mine = events.filter((event) => concerns(event, { classId, termId, pupils }))
  const news: News = {
    marks: cells.marks.filter((each) => isHere(each) && reads.subject(each.subject)),
    levels: cells.levels.filter((each) => isHere(each) && (each.kind === 'habit' || reads.skill(each.about))),
    results: cells.results.filter((each) => isHere(each) && reads.subject(each.subject)),
    attendance: cells.attendance.filter(isHere),
    comments: comments.flatMap(({ comment }) => comment ?? []),
    again: comments.some(({ comment }) => comment === null) || mine.some(readAgain),
    events: mine.filter(readAgain).map(({ id }) => id),
    by: [],
  }
  const { marks, levels, results, attendance } = news
  const isNothing = [marks, levels, results, attendance, news.comments].every((cells) => cells.length === 0)
  if (isNothing && !news.again) return null
  // Not everybody whose changes came together with these: what is kept from the viewer, is done by nobody.
  const told = new Set([
    ...marks.map((each) => `settled_mark ${each.studentId} ${each.subject}`),
    ...levels.map((each) => `settled_level ${each.studentId} ${each.about}`),
    ...results.map((each) => `result ${each.studentId} ${each.workId}`),
    ...attendance.map((each) => `attendance ${each.studentId} `),
    ...comments.map((each) => `comment ${each.studentId} ${each.box}`),
  ])
  const others = mine.filter(
    (event) =>
      event.personId !== personId && (readAgain(event) || event.changes.some((each) => told.has(cellOf(each)))),
  )
  return { ...news, by: [...new Set(others.map(({ by }) => by))] }
}

function cellOf({ table, key }: ToldEvent['changes'][number]): string {
  return `${table} ${key.student_id} ${key.subject ?? key.about ?? key.work_id ?? key.box ?? ''}`
}

/** Whether something changed that is not told cell by cell. An event without changes is a whole bundle, or a folder. */
function readAgain({ changes }: ToldEvent): boolean {
  return changes.length === 0 || changes.some(({ table }) => !isTold(table) && !notOfClasses.has(table))
}

/** Whether an event is about this class, about one of its children, or about the whole school. */
function concerns(
  event: ToldEvent,
  { classId, termId, pupils }: Pick<Viewer, 'classId' | 'termId' | 'pupils'>,
): boolean {
  if (event.classId === null) return event.changes.every(({ table }) => !notOfClasses.has(table))
  if (event.classId === classId) return event.termId === null || event.termId === termId
  return event.termId === termId && event.changes.some(({ key }) => pupils.has(key.student_id ?? ''))
}
