import type { Knex } from 'knex'
import type { Observation, WrittenInNote } from '../../core/record/observations'
import type { Row } from './changes/changeableTables'

/** Whose a note is and where it stands. */
export interface NoteAt {
  studentId: string
  termId: string
  writtenBy: string | null
}

/** A note by its id, as far as changing it asks; undefined where there is none. */
export async function noteAt(db: Knex, id: string): Promise<NoteAt | undefined> {
  const { rows } = await db.raw<{ rows: NoteAt[] }>(
    `select student_id as "studentId", term_id as "termId", written_by as "writtenBy" from observation where id = ?`,
    [id],
  )
  return rows[0]
}

/** What of a note its writer changes. */
type Written = Pick<Observation, WrittenInNote>

/** The columns of it. */
export function noteRow({ date, kind, about, symbol, text, mayTell }: Written): Row {
  return { day: date, about_kind: kind, about, symbol, text, may_tell: mayTell }
}

/** A note's row as it is shown to its writer. */
export function noteShown(row: Row): Row {
  const { day = '', about_kind: kind = null, about = '', symbol = null, text = '', may_tell: mayTell = false } = row
  return { date: day, kind, about, symbol, text, mayTell }
}
