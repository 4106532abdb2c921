import type { Knex } from 'knex'
import type { PackedComment } from '../../core/record/packedTerm'
import type { ResultCell } from '../../core/record/resultPlaces'
import type { LevelKind } from '../../core/record/termRecord'
import type { DaysCell, LevelCell, MarkCell } from '../../core/record/withWritten'
import { ownConnection } from './database'
import type { ChangeableTable } from './changes/changeableTables'

/** An event with who did it, and whom it is about. */
export interface ToldEvent {
  readonly id: number
  /** When it was written to last, by the database's clock, in ms. */
  readonly at: number
  readonly personId: string
  readonly by: string
  readonly classId: string | null
  readonly termId: string | null
  readonly changes: readonly { table: ChangeableTable; key: Readonly<Record<string, string>> }[]
}

/** Cells of a term as they stand, each with what its rights hang on. */
export interface StandingCells {
  readonly marks: readonly (MarkCell & { termId: string })[]
  readonly levels: readonly (LevelCell & { termId: string; kind: LevelKind })[]
  readonly results: readonly (ResultCell & { termId: string; subject: string })[]
  readonly attendance: readonly (DaysCell & { termId: string })[]
  readonly comments: readonly { studentId: string; box: string; termId: string; comment: PackedComment | null }[]
}

/** Of an event with more changes than this it is told only that something was changed. */
const mostTold = 300

/** Events by their numbers. */
export async function loadToldEvents(db: Knex, ids: readonly number[]): Promise<ToldEvent[]> {
  const { rows } = await db.raw<{ rows: ToldEvent[] }>(
    `select event.id, (extract(epoch from last_at) * 1000)::float8 as at, person_id as "personId",
       trim(given_name || ' ' || family_name) as by, class_id as "classId", term_id as "termId",
       case when jsonb_array_length(changes) > ${mostTold} then '[]' else
         (select coalesce(jsonb_agg(jsonb_build_object('table', change -> 'table', 'key', change -> 'key')), '[]')
           from jsonb_array_elements(changes) as change) end as changes
     from event join person on person.id = person_id where event.id = any(?) order by event.id`,
    [[...ids]],
  )
  return rows
}

/** The database's clock, in ms. */
export async function databaseClock(db: Knex): Promise<number> {
  const { rows } = await db.raw<{ rows: { at: number }[] }>('select (extract(epoch from now()) * 1000)::float8 as at')
  return rows[0]?.at ?? 0
}

/** A transaction may have begun so many ms before it ended, and its events bear the time of its beginning. */
const longestWrite = 5000

/**
 * The numbers of events that may concern a term since a moment of the database's clock, oldest first; null for too many
 * to be told one by one.
 */
export async function eventsSince(db: Knex, termId: string, since: number): Promise<number[] | null> {
  const { rows } = await db.raw<{ rows: { id: number }[] }>(
    `select id from event where last_at > to_timestamp(?::float8 / 1000) and (term_id is null or term_id = ?)
     order by id limit ?`,
    [since - longestWrite, termId, mostTold + 1],
  )
  return rows.length > mostTold ? null : rows.map(({ id }) => id)
}

/** The tables whose cells are told as they stand; what else changes is a reason to read the class again. */
export const toldTables = ['settled_mark', 'settled_level', 'result', 'attendance', 'comment'] as const

const cellsQuery = `
  with k as (select change ->> 'table' as of_table, cell.* from jsonb_array_elements(:changes) as change,
    jsonb_to_record(change -> 'key') as cell(student_id uuid, subject text, term_id uuid, kind text, about text,
      work_id uuid, box text))
  select json_build_object(
    'marks', (select coalesce(json_agg(json_build_object('termId', k.term_id, 'studentId', k.student_id,
        'subject', k.subject, 'mark', case when m.student_id is null then null else json_build_object(
          'percent', m.percent, 'special', m.special, 'reason', m.reason, 'proposed', m.proposed) end)), '[]')
      from k left join settled_mark m using (student_id, subject, term_id) where of_table = 'settled_mark'),
    'levels', (select coalesce(json_agg(json_build_object('termId', k.term_id, 'studentId', k.student_id,
        'kind', k.kind, 'about', k.about, 'symbol', l.symbol, 'proposed', l.proposed)), '[]')
      from k left join settled_level l using (student_id, kind, about, term_id) where of_table = 'settled_level'),
    'results', (select coalesce(json_agg(json_build_object('termId', work.term_id, 'studentId', k.student_id,
        'workId', k.work_id, 'subject', work.subject, 'result', case when r.work_id is null then null else
          json_build_object('state', r.state, 'score', r.score, 'remark', r.remark) end)), '[]')
      from k join work on work.id = k.work_id left join result r using (work_id, student_id) where of_table = 'result'),
    'attendance', (select coalesce(json_agg(json_build_object('termId', k.term_id, 'studentId', k.student_id, 'days',
        case when a.student_id is null then null else json_build_object('daysOpen', a.days_open,
          'absences', a.absences, 'lates', a.lates) end)), '[]')
      from k left join attendance a using (student_id, term_id) where of_table = 'attendance'),
    'comments', (select coalesce(json_agg(json_build_object('termId', k.term_id, 'studentId', k.student_id,
        'box', k.box, 'comment', case when c.student_id is null then null else json_build_object('studentId', c.student_id,
          'box', c.box, 'text', c.text, 'sentences', c.sentences, 'ownWords', c.own_words, 'status', c.status,
          'version', c.version) end)), '[]')
      from k left join comment c using (student_id, box, term_id) where of_table = 'comment')
  ) as cells`

/** The cells that changes were about, as they stand now. */
export async function loadCells(db: Knex, changes: ToldEvent['changes']): Promise<StandingCells> {
  const told = new Map(
    changes
      .filter(({ table }) => isTold(table))
      .map((change) => [`${change.table} ${JSON.stringify(change.key)}`, change]),
  )
  if (told.size === 0) return { marks: [], levels: [], results: [], attendance: [], comments: [] }
  const { rows } = await db.raw<{ rows: { cells: StandingCells }[] }>(cellsQuery, {
    changes: JSON.stringify([...told.values()]),
  })
  if (!rows[0]) throw new Error('A query without rows.')
  return rows[0].cells
}

export function isTold(table: ChangeableTable): table is (typeof toldTables)[number] {
  return toldTables.some((each) => each === table)
}

/**
 * Listens to events on a connection of its own, and tells their numbers.
 * @returns until when it listens: the promise of its end, however it comes
 * @throws whatever keeps it from listening; the connection is closed then
 */
export async function listenToEvents(heard: (id: number) => void): Promise<{ ended: Promise<void> }> {
  const connection = ownConnection()
  connection.on('notification', ({ payload }) => heard(Number(payload)))
  // A connection that breaks says so, and ends.
  connection.on('error', () => undefined)
  const ended = new Promise<void>((resolve) => connection.on('end', resolve))
  try {
    await connection.connect()
    await connection.query('listen facunda_event')
  } catch (error) {
    connection.end().catch(() => undefined)
    throw error
  }
  return { ended }
}
