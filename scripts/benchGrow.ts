import type { Knex } from 'knex'
import { hashPassword } from '../server/data/people'

/** A class that was made, and who teaches it. */
export interface Room {
  id: string
  signIn: string
}

/** The demo's 5 Juniper over and over: people, work, results, levels, marks and comments. */
export async function growSchool(base: Knex, classes: number): Promise<Room[]> {
  const juniper = await base('class_room').where({ name: '5 Juniper' }).first()
  const rooms: Room[] = []
  const hash = await hashPassword('bench-password')
  for (let nth = 0; nth < classes; nth += 1) {
    const [room] = await base('class_room')
      .insert({ year_id: juniper?.year_id ?? '', name: `Bench ${nth}` })
      .returning('id')
    const [person] = await base('person')
      .insert({
        sign_in: `bench${nth}`,
        password_hash: hash,
        given_name: 'Bench',
        family_name: String(nth),
        role: 'teacher',
      })
      .returning('id')
    await base('teaching').insert({ person_id: person?.id ?? '', class_id: room?.id ?? '', subject: null })
    await base.raw(
      `
      create temporary table pair on commit drop as
        select student_id as old, gen_random_uuid() as new, position, grade_level from enrolment where class_id = :from;
      insert into student select pair.new, school_number || ' ' || :nth, legal_given, used_name, family, pronouns
        from student join pair on pair.old = student.id;
      insert into enrolment select :to, new, position, grade_level from pair;
      insert into category select :to, subject, key, name, weight from category where class_id = :from;
      create temporary table piece on commit drop as
        select id as old, gen_random_uuid() as new from work where class_id = :from;
      insert into work select piece.new, :to, subject, term_id, title, category, done_on, out_of, weight, counts
        from work join piece on piece.old = work.id;
      insert into result select piece.new, pair.new, state, score, remark
        from result join piece on piece.old = work_id join pair on pair.old = student_id;
      insert into settled_mark select pair.new, subject, term_id, percent, special, reason, proposed
        from settled_mark join pair on pair.old = student_id;
      insert into settled_level select pair.new, about, term_id, kind, symbol
        from settled_level join pair on pair.old = student_id;
      insert into comment select pair.new, box, term_id, text, sentences, own_words, status, version
        from comment join pair on pair.old = student_id;
      insert into attendance select pair.new, term_id, days_open, absences, lates
        from attendance join pair on pair.old = student_id`
        .replaceAll(':from', `'${juniper?.id}'`)
        .replaceAll(':to', `'${room?.id}'`)
        .replaceAll(':nth', `'${nth}'`)
        .split(';')
        .map((statement) => statement.trim())
        .reduce((all, statement) => `${all}${statement};`, `begin;set local facunda.lock = 'set aside';`) + 'commit;',
    )
    rooms.push({ id: room?.id ?? '', signIn: `bench${nth}` })
  }
  return rooms
}

/** Marks, levels, comments and attendance of one year for its students in another, term by term. */
export async function fillYear(base: Knex, { from, to }: { from: string; to: string }): Promise<void> {
  const terms = `(select old.id as old, new.id as new from
    (select id, row_number() over (order by starts) as nth from term where year_id = :from) as old join
    (select id, row_number() over (order by starts) as nth from term where year_id = :to) as new using (nth)) as pair`
  for (const [table, columns] of [
    ['settled_mark', 'student_id, subject, pair.new, percent, special, reason, proposed'],
    ['settled_level', 'student_id, about, pair.new, kind, symbol'],
    ['comment', 'student_id, box, pair.new, text, sentences, own_words, status, version'],
    ['attendance', 'student_id, pair.new, days_open, absences, lates'],
  ] as const)
    await base.raw(
      `insert into ${table} (${columns.replace('pair.new', 'term_id')})
       select ${columns} from ${table} as was join ${terms} on pair.old = was.term_id`,
      { from, to },
    )
}
