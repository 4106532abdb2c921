import { createHash } from 'node:crypto'
import type { Knex } from 'knex'

/** What tells one photo from another, for browsers that keep them. */
export function fingerprintOf(jpeg: string): string {
  return createHash('sha256').update(jpeg).digest('hex').slice(0, 16)
}

/** A child's photo as a JPEG; undefined where there is none. */
export async function loadPhoto(db: Knex, studentId: string): Promise<Buffer | undefined> {
  const row = await db('photo').where({ student_id: studentId }).first()
  return row && Buffer.from(row.jpeg, 'base64')
}

/** The photos of some children as they stand, by child. */
export async function photosOf(
  db: Knex,
  studentIds: readonly string[],
): Promise<Map<string, { jpeg: string; fingerprint: string }>> {
  const rows = await db('photo').whereIn('student_id', [...studentIds])
  return new Map(rows.map(({ student_id: id, ...photo }) => [id, photo]))
}
