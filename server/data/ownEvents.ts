import type { Knex } from 'knex'
import type { HistoryEntry, PastValue } from '../../contracts/history'
import type { Step } from '../../core/record/ownSteps'
import { applyBack } from './changes/difference'
import type { RecordedChange } from './changes/keptEvents'
import type { Row } from './changes/changeableTables'

/** So many events of one person in a class are looked back at. */
const lookedBack = 400

/** What a person did in a class and term, newest first. */
export async function loadOwnSteps(
  db: Knex,
  where: { personId: string; classId: string; termId: string },
): Promise<(Step & { at: string })[]> {
  const { rows } = await db.raw<{ rows: (Step & { at: string })[] }>(
    `select id, kind, undoes, undone_by as "undoneBy", to_char(last_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at
     from event where class_id = :classId and term_id = :termId and person_id = :personId and needs is not null
     order by id desc limit ${lookedBack}`,
    where,
  )
  return rows
}

/** The versions that the texts of some events have now, by event; those without texts have none. */
export async function versionsIn(db: Knex, events: readonly number[]): Promise<Map<number, number>> {
  const { rows } = await db.raw<{ rows: { id: number; version: number }[] }>(
    `select event.id, max(version)::float8 as version
     from event, jsonb_array_elements(changes) as change, jsonb_to_record(change -> 'key') as k(student_id uuid, box text,
       term_id uuid)
     join comment using (student_id, box, term_id)
     where event.id = any(?) and change ->> 'table' = 'comment' group by event.id`,
    [[...events]],
  )
  return new Map(rows.map(({ id, version }) => [id, version]))
}

/** A row of a term whose history is looked at. */
export interface PastRow {
  readonly table: 'settled_mark' | 'settled_level' | 'result' | 'comment'
  readonly key: Readonly<Record<string, string>>
  readonly termId: string
  readonly studentId: string
}

interface PastChange {
  event: number
  at: string
  by: string
  kind: string
  change: RecordedChange
}

/** What became of a row, newest first: from its events, in whatever class of the child they were. */
export async function loadHistory(db: Knex, { table, key, termId, studentId }: PastRow): Promise<HistoryEntry[]> {
  const [{ rows }, now] = await Promise.all([
    db.raw<{ rows: PastChange[] }>(
      `select event.id as event, trim(given_name || ' ' || family_name) as by, kind, change,
         to_char(last_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as at
       from event join person on person.id = person_id, jsonb_array_elements(changes) as change
       where event.class_id in (select class_id from enrolment where student_id = :studentId)
         and event.term_id = :termId and changes @> :wanted and change @> :one
       order by event.id desc limit 100`,
      { studentId, termId, wanted: JSON.stringify([{ table, key }]), one: JSON.stringify({ table, key }) },
    ),
    db(table).where(key).first() as Promise<Row | undefined>,
  ])
  const values = wayBack(
    rows.map(({ change }) => change),
    now ?? null,
  )
  return rows.map(({ change: _change, ...entry }, at) => ({ ...entry, ...(values[at] ?? { from: null, to: null }) }))
}

/** From what to what each change of a row led. @param changes newest first @param now how the row stands */
export function wayBack(changes: readonly RecordedChange[], now: Row | null): { from: PastValue; to: PastValue }[] {
  let standing = now
  return changes.map((change) => {
    const to = 'after' in change ? change.after : standing
    standing = before(change, standing)
    return { from: shown(standing), to: shown(to) }
  })
}

/** What stood before a change; a text is found back from the one that came after it. */
function before(change: RecordedChange, after: Row | null): Row | null {
  if ('before' in change) return change.before
  return 'madeNew' in change || after === null ? null : applyBack(after, change.back)
}

/** A row's values that a person sees. */
function shown(row: Row | null): PastValue {
  if (row === null) return null
  const { percent, special, reason, symbol, state, score, remark, text, absences, lates } = row
  return { percent, special, reason, symbol, state, score, remark, text, absences, lates } as PastValue
}
