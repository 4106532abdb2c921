import type { Knex } from 'knex'
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

/** The columns of a note that its writer changes. */
export function noteRow({
  date,
  kind,
  about,
  text,
  mayTell,
}: {
  date: string
  kind: string | null
  about: string
  text: string
  mayTell: boolean
}): Row {
  return { day: date, about_kind: kind, about, text, may_tell: mayTell }
}
