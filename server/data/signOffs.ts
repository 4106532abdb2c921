import type { Knex } from 'knex'
import type { PastValue } from '../../contracts/history'
import { groupBy } from '../../core/groupBy'
import { wayBack } from './ownEvents'
import { rowKey, type Row } from './changes/changeableTables'
import type { RecordedChange } from './changes/keptEvents'

/** A sign-off as it stands. */
export interface SignOffRow {
  /** Null for what belongs to no subject. */
  subject: string | null
  /** In ms. */
  at: number
  by: string
  note: string
}

/** What is signed off of a class in a term. */
export async function loadSignOffs(db: Knex, place: { classId: string; termId: string }): Promise<SignOffRow[]> {
  const { rows } = await db.raw<{ rows: SignOffRow[] }>(
    `select nullif(subject, '') as subject, signed_at as at, note, trim(given_name || ' ' || family_name) as by
     from sign_off join person on person.id = person_id
     where class_id = :classId and term_id = :termId order by subject`,
    { ...place },
  )
  return rows
}

/** What is looked at for changes since a sign-off. */
const lookedAt = ['settled_mark', 'settled_level', 'result', 'comment', 'attendance'] as const

/** A change of a child's value, with what its matter hangs on. */
export interface LaterRow {
  table: (typeof lookedAt)[number]
  key: Readonly<Record<string, string>>
  from: PastValue
  to: PastValue
  by: string
  /** In ms. */
  at: number
}

/** So many changes are looked at. */
const most = 2000

interface FoundChange {
  by: string
  at: number
  change: RecordedChange
  /** How a text stands now, from which its earlier words are found. */
  now: Row | null
}

/** What was changed about children in a term since a moment, oldest first. @param since in ms */
export async function loadChangesSince(
  db: Knex,
  { termId, students, since }: { termId: string; students: readonly string[]; since: number },
): Promise<LaterRow[]> {
  const { rows } = await db.raw<{ rows: FoundChange[] }>(
    `select trim(given_name || ' ' || family_name) as by, change,
       (extract(epoch from last_at) * 1000)::float8 as at, to_jsonb(comment) as now
     from event join person on person.id = event.person_id, jsonb_array_elements(changes) as change
       left join comment on change ->> 'table' = 'comment' and comment.term_id = :termId
         and comment.student_id = (change -> 'key' ->> 'student_id')::uuid and comment.box = change -> 'key' ->> 'box'
     where event.class_id in (select class_id from enrolment where student_id = any(:students::uuid[]))
       and event.term_id = :termId and last_at > to_timestamp(:since::float8 / 1000)
       and change ->> 'table' = any(:tables) and change -> 'key' ->> 'student_id' = any(:students)
     order by event.id desc limit ${most}`,
    { termId, since, students: [...students], tables: [...lookedAt] },
  )
  const placed = groupBy(rows, ({ change }) => rowKey(change))
  return [...placed.values()]
    .flatMap((of) => {
      const values = wayBack(
        of.map(({ change }) => change),
        of[0]?.now ?? null,
      )
      return of.map(({ by, at, change }, nth) => ({
        by,
        at,
        table: change.table as LaterRow['table'],
        key: change.key as LaterRow['key'],
        ...(values[nth] ?? { from: null, to: null }),
      }))
    })
    .reverse()
}
