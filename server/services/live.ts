import type { News } from '../../contracts/live'
import { allow, grantsIn } from '../access/grants'
import { recordReader, type RecordReader } from '../access/recordReader'
import type { ChangeableTable } from '../data/changes/changeableTables'
import { isTold, loadCells, loadToldEvents, type StandingCells, type ToldEvent } from '../data/eventNews'
import { loadPlace } from '../data/places'
import { childrenOf } from '../data/register'
import { setupOf, type Context, type Place } from './context'

/** Somebody who looks at a class in a term. */
export interface Viewer extends Place {
  readonly personId: string
  /** The children of the class whom they see, whoever changes something about them, in whatever class. */
  readonly pupils: ReadonlySet<string>
  readonly reader: RecordReader
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
    pupils: new Set(pupils.flatMap(({ id, grade }) => (grants.seesChild(grade) ? [id] : []))),
    reader: recordReader(setup, grants),
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
  'retention_rule',
  'person',
])

/** What of it a viewer is told; null where nothing of it concerns them. */
export function newsFor(
  { termId, classId, pupils, reader, personId }: Viewer,
  { events, cells }: Happened,
): News | null {
  const isHere = (each: { termId: string; studentId: string }): boolean =>
    each.termId === termId && pupils.has(each.studentId)
  const comments = cells.comments.filter((each) => isHere(each) && reader.sees('comment', each.box))
  const isReason = (event: ToldEvent): boolean => isReasonToRead(event, reader)
  const mine = events.filter((event) => concerns(event, { classId, termId, pupils }))
  const news: News = {
    marks: cells.marks.filter((each) => isHere(each) && reader.sees('mark', each.subject)),
    levels: cells.levels.filter(
      (each) => isHere(each) && (each.kind === 'habit' ? reader.sees('habit') : reader.sees('level', each.about)),
    ),
    results: cells.results.filter((each) => isHere(each) && reader.sees('work', each.subject)),
    attendance: cells.attendance.filter((each) => isHere(each) && reader.sees('attendance')),
    comments: comments.flatMap(({ comment }) => comment ?? []),
    again: comments.some(({ comment }) => comment === null) || mine.some(isReason),
    events: mine.filter(isReason).map(({ id }) => id),
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
    (event) => event.personId !== personId && (isReason(event) || event.changes.some((each) => told.has(cellOf(each)))),
  )
  return { ...news, by: [...new Set(others.map(({ by }) => by))] }
}

function cellOf({ table, key }: ToldEvent['changes'][number]): string {
  return `${table} ${key.student_id} ${key.subject ?? key.about ?? key.work_id ?? key.box ?? ''}`
}

/**
 * Whether something changed that is not told cell by cell, and that the reader sees. An event without changes is a
 * whole bundle, or a folder.
 */
function isReasonToRead({ changes }: ToldEvent, { sees }: RecordReader): boolean {
  const isSeen: Partial<Record<ChangeableTable, (key: Readonly<Record<string, string>>) => boolean>> = {
    practice: () => sees('practice'),
    register_day: () => sees('attendance'),
    accepted_finding: ({ box = '' }) => sees('comment', box),
    subject_choice: ({ subject = '' }) => sees('work', subject),
  }
  return (
    changes.length === 0 ||
    changes.some(({ table, key }) => !isTold(table) && !notOfClasses.has(table) && (isSeen[table]?.(key) ?? true))
  )
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
