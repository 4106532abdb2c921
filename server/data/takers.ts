import type { Knex } from 'knex'
import type { FolderRows } from '../../core/exchange/folder/recordFiles'

/** A child of a class, and whether it takes a subject. */
export interface Taker {
  studentId: string
  /** What is said of the child; null where the rest decides. */
  said: boolean | null
  /** Whether it takes the subject where nothing is said: with its class, or in a group. */
  asTheRest: boolean
}

/** Who of a class takes a subject in a term, in the order of the class list. */
export async function loadTakers(
  db: Knex,
  asked: { classId: string; termId: string; subject: string; today: string },
): Promise<Taker[]> {
  const { rows } = await db.raw<{ rows: Taker[] }>(
    `with own as (select year_id from term where id = :termId),
       in_group as materialized (select place.student_id from class_room as room, own,
           lateral members_of(room.id, :termId, :today) as place
         where room.year_id = own.year_id and room.subject = :subject)
     select here.student_id as "studentId", choice.takes as said,
       coalesce(subject.taken_by = 'class', true) or here.student_id in (select student_id from in_group) as "asTheRest"
     from own join members_of(:classId, :termId, :today) as here on true
       left join subject on subject.year_id = own.year_id and subject.key = :subject
       left join subject_choice as choice on choice.year_id = own.year_id and choice.student_id = here.student_id
         and choice.subject = :subject
     order by here.position`,
    { ...asked },
  )
  return rows
}

/** What a folder says of who takes what, as rows of the table. */
export function choiceRows(
  choices: FolderRows['choices'],
  { yearId, students }: { yearId: string; students: ReadonlyMap<string, string> },
): object[] {
  return choices.map(({ number, subject, takes }) => ({
    year_id: yearId,
    student_id: students.get(number),
    subject,
    takes,
  }))
}
