import type { DeskAnswer, DeskClass } from '../../contracts/answers'
import type { SignedIn } from '../../contracts/session'
import { displayName } from '../../core/people/names'
import { indexRecord } from '../../core/record/recordIndex'
import type { School } from '../../core/record/classRecord'
import { studentProgress, sumProgress } from '../../core/terms/progress'
import { mayReadClass } from '../access/access'
import { Refusal } from '../access/refusal'
import { loadTerms } from '../data/loadClassRecord'
import type { PersonRow } from '../data/people'
import type { Context } from './context'
import { readableRecord } from './viewClass'

/** Who is signed in, for the pages. */
export function signedIn(person: PersonRow): SignedIn {
  return {
    id: person.id,
    name: displayName({ given: person.given_name, family: person.family_name }),
    role: person.role,
  }
}

/** What is due and what is left, class by class, in the term of today (else the last one begun). */
export async function viewDesk(context: Context): Promise<DeskAnswer> {
  const { db, who, today } = context
  const person = await db<PersonRow>('person').where({ id: who.personId }).first()
  const school = await db<{ settings: School }>('school').first()
  const terms = await loadTerms(db)
  const term = terms.findLast((each) => each.starts <= today) ?? terms[0]
  if (!person || !school || !term) throw new Refusal('not found', 'The school has not been set up yet.')
  const rooms = await db<{ id: string; name: string }>('class_room').orderBy('name')
  const own = rooms.filter((room) => mayReadClass(who, room.id))
  const classes = await Promise.all(own.map((room) => deskClass(context, room, term.id)))
  return { person: signedIn(person), school: school.settings.name, today, term, terms, classes }
}

async function deskClass(context: Context, room: { id: string; name: string }, termId: string): Promise<DeskClass> {
  const record = await readableRecord(context, { classId: room.id, termId })
  const index = indexRecord(record)
  const teaching = context.who.teaching.filter((each) => each.classId === room.id)
  const isHome = teaching.some((each) => each.subject === null)
  const names = teaching.flatMap((each) => record.subjects.find((subject) => subject.key === each.subject)?.name ?? [])
  const made = new Set(
    (
      await context
        .db<{ class_id: string; term_id: string; state: string; student_ids: string[] }>('report_run')
        .where({ class_id: room.id, term_id: termId, state: 'finished' })
    ).flatMap((run) => run.student_ids),
  )
  const keys = record.subjects.map((subject) => subject.key)
  return {
    id: room.id,
    name: room.name,
    students: record.students.length,
    role: isHome ? 'home class' : context.who.role === 'coordinator' ? 'whole class' : names.join(', '),
    counts: sumProgress(
      record.students.map((student) => studentProgress(index, student.id, keys, made.has(student.id))),
    ),
  }
}
