import type { Knex } from 'knex'
import type { KnownContact } from '../../core/exchange/lists/planContactList'

/** Who is told of a child, or of the children who are or were in a class. */
export async function loadContacts(db: Knex, of: { studentId: string } | { classId: string }): Promise<KnownContact[]> {
  const students =
    'studentId' in of ? [of.studentId] : db('enrolment').where({ class_id: of.classId }).select('student_id')
  const rows = await db('contact')
    .whereIn('student_id', students as string[])
    .orderBy('position')
  return rows.map(({ student_id: studentId, ...contact }) => ({ studentId, ...contact }))
}
