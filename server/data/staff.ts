import type { Knex } from 'knex'
import type { StaffMember } from '../../contracts/people'

/** The staff, with what each teaches or reads in a year. */
export async function loadStaff(db: Knex, yearId: string): Promise<StaffMember[]> {
  const { rows } = await db.raw<{ rows: StaffMember[] }>(
    `select id, sign_in as "signIn", given_name as given, family_name as family, role, switched_off as "switchedOff",
       case when grade_from is not null then json_build_object('from', grade_from, 'to', grade_to) end as grades,
       case when password_hash is not null then 'has a password' when link.expires is not null then 'invited'
         else 'not invited' end as entry,
       link.expires as "linkEnds",
       (select coalesce(json_agg(json_build_object('id', teaching.id, 'classId', class_id, 'subject', teaching.subject,
             'secondReader', second_reader, 'from', from_day, 'to', to_day)
           order by class_room.name, teaching.subject nulls first), '[]')
         from teaching join class_room on class_room.id = class_id
         where person_id = person.id and year_id = :year) as teaching
     from person left join lateral (select max(expires) as expires from invitation
       where person_id = person.id and used_at is null and expires > now()) as link on true
     order by family_name, given_name, sign_in`,
    { year: yearId },
  )
  return rows
}

/** Whether somebody else signs in by a name. */
export async function signsInElse(db: Knex, signIn: string, personId: string): Promise<boolean> {
  return (await db('person').where({ sign_in: signIn }).whereNot({ id: personId }).first('id')) !== undefined
}
