import type { Knex } from 'knex'
import type { YearToFollow, YearToMake } from '../../contracts/setUp'
import { nextGrade } from '../../core/terms/nextYear'
import { setLockAside } from './lockSetAside'
import { addRoom } from './setUpSchool'

/** What is carried over, a table after those it rests on; of the first, what is retired stays behind. */
const carriedOver = [
  ['school', ''],
  ['scale', ''],
  ['subject', 'and not retired'],
  ['skill', 'and not retired and subject in (select key from subject where year_id = :to)'],
  ['habit', 'and not retired'],
  ['comment_box', 'and not retired and (subject is null or subject in (select key from subject where year_id = :to))'],
  ['phrase', ''],
  ['describing_words', ''],
  ['layout', ''],
] as const

/** Copies a year's set-up row by row; from then on each year is changed by itself. */
export async function carrySetupOver(trx: Knex.Transaction, years: { from: string; to: string }): Promise<void> {
  for (const [table, condition] of carriedOver) {
    await trx.raw(
      `insert into ${table} select (jsonb_populate_record(null::${table},
         to_jsonb(old) || jsonb_build_object('year_id', :to::text))).*
       from ${table} as old where year_id = :from ${condition}`,
      years,
    )
  }
  await trx('setup_version').insert({ year_id: years.to })
}

/**
 * A class or group that follows another: its students in their order, a grade higher than they were in any class of
 * the year before, and how its marks are made up.
 */
export async function carryClassOver(
  trx: Knex.Transaction,
  { from: yearBefore, to: yearId }: { from: string; to: string },
  { from, name, students }: YearToMake['classes'][number],
): Promise<void> {
  const subject = (await trx('class_room').where({ id: from }).first('subject'))?.subject ?? null
  const room = await addRoom(trx, { yearId, name, subject })
  await trx.raw(
    `insert into category (class_id, subject, key, name, weight, is_exam)
     select :to, subject, key, name, weight, is_exam from category where class_id = :from`,
    {
      to: room,
      from,
    },
  )
  const before = await trx('enrolment')
    .join('class_room', 'class_room.id', 'class_id')
    .where({ year_id: yearBefore })
    .whereIn('student_id', students)
    .select('student_id', 'grade_level')
  const grades = new Map(before.map((each) => [each.student_id, nextGrade(each.grade_level)]))
  const rows = students.flatMap((id, position) => {
    const grade = grades.get(id)
    return grade === undefined ? [] : [{ class_id: room, student_id: id, position, grade_level: grade }]
  })
  if (rows.length > 0) await trx('enrolment').insert(rows)
  // Who took a subject otherwise than the rest goes on so, where the subject goes on.
  await trx.raw(
    `insert into subject_choice (year_id, student_id, subject, takes)
     select :to, student_id, subject, takes from subject_choice
     where year_id = :from and student_id = any(:students)
       and subject in (select key from subject where year_id = :to)
     on conflict do nothing`,
    { from: yearBefore, to: yearId, students: [...students] },
  )
}

/** What was recorded in a year, in words for each kind: "3 marks". */
export async function recordedIn(db: Knex, yearId: string): Promise<string[]> {
  const { rows } = await db.raw<{ rows: { one: string; many: string; count: number }[] }>(
    `with own as (select id from term where year_id = ?)
     select 'piece of work' as one, 'pieces of work' as many, count(*) from work where term_id in (select id from own)
     union all select 'mark', 'marks', count(*) from settled_mark where term_id in (select id from own)
     union all select 'level', 'levels', count(*) from settled_level where term_id in (select id from own)
     union all select 'text', 'texts', count(*) from comment where term_id in (select id from own) and text <> ''
     union all select 'record of attendance', 'records of attendance', count(*) from attendance
       where term_id in (select id from own)
     union all select 'record of practice', 'records of practice', count(*) from practice
       where term_id in (select id from own)
     union all select 'note', 'notes', count(*) from observation where term_id in (select id from own)
     union all select 'run of reports', 'runs of reports', count(*) from report_run
       where term_id in (select id from own)`,
    [yearId],
  )
  return rows.filter(({ count }) => count > 0).map(({ one, many, count }) => `${count} ${count === 1 ? one : many}`)
}

/** Whether an event is about something in a year. */
const eventOfYear = `(class_id in (select id from class_room where year_id = :year)
  or term_id in (select id from term where year_id = :year)
  or exists (select from jsonb_array_elements(changes) as change
    where change -> 'key' ->> 'year_id' = :year::text or change -> 'after' ->> 'year_id' = :year::text
      or change -> 'before' ->> 'year_id' = :year::text))`

/** What is recorded in a term. */
const ofTerms = [
  'comment',
  'accepted_finding',
  'settled_mark',
  'settled_level',
  'attendance',
  'practice',
  'observation',
  'work',
] as const

/** How it is said that a year came by its folder. */
export function folderTakenIn(year: string): string {
  return `took the folder of ${year} in`
}

/** Whether a year came by its folder and nobody has done anything in it since. */
export async function isAsFolderLeftIt(db: Knex, { id, name }: { id: string; name: string }): Promise<boolean> {
  const { rows } = await db.raw<{ rows: { untouched: boolean }[] }>(
    `select exists (select from event where kind = :kind)
       and not exists (select from event where id > (select max(id) from event where kind = :kind) and ${eventOfYear})
       as untouched`,
    { year: id, kind: folderTakenIn(name) },
  )
  return rows[0]?.untouched ?? false
}

/**
 * Takes a year away with its terms, classes and set-up, and with the children who are in no other. What is kept for
 * undoing changes in it goes too: nobody could look at it any more.
 */
export async function takeYearAway(trx: Knex.Transaction, yearId: string): Promise<void> {
  await trx.raw(
    `with gone as (select id from event where ${eventOfYear})
     update event set class_id = null, term_id = null, needs = null, changes = '[]' where id in (select id from gone)`,
    { year: yearId },
  )
  await setLockAside(trx)
  const only = await studentsOfThisYearAlone(trx, yearId)
  for (const table of ['result', 'answer', 'question'] as const)
    await trx(table)
      .whereIn(
        'work_id',
        trx('work')
          .whereIn('term_id', trx('term').where({ year_id: yearId }).select('id'))
          .select('id'),
      )
      .delete()
  for (const table of ofTerms)
    await trx(table)
      .whereIn('term_id', trx('term').where({ year_id: yearId }).select('id'))
      .delete()
  await trx.raw(
    `delete from register_day using school_year, enrolment, class_room
     where school_year.id = :year and class_room.year_id = :year and enrolment.class_id = class_room.id
       and enrolment.student_id = register_day.student_id and day between starts and ends`,
    { year: yearId },
  )
  for (const table of ['gradebook_file', 'remembered_mapping', 'opening', 'teaching', 'category', 'enrolment'])
    await trx(table)
      .whereIn('class_id', trx('class_room').where({ year_id: yearId }).select('id'))
      .delete()
  for (const table of ['bundle_row', 'bundle_result', 'bundle_work'] as const)
    await trx(table)
      .whereIn('event_id', trx('bundle').where({ year_id: yearId }).select('event_id'))
      .delete()
  await trx('subject_choice').where({ year_id: yearId }).delete()
  const ofYear = [...carriedOver].reverse().map(([table]) => table)
  for (const table of ['bundle', 'class_room', 'term', 'setup_version', ...ofYear])
    await trx(table).where({ year_id: yearId }).delete()
  await trx('school_year').where({ id: yearId }).delete()
  for (const table of ['contact', 'photo', 'register_day']) await trx(table).whereIn('student_id', only).delete()
  await trx('student').whereIn('id', only).delete()
}

async function studentsOfThisYearAlone(trx: Knex.Transaction, yearId: string): Promise<string[]> {
  const { rows } = await trx.raw<{ rows: { id: string }[] }>(
    `select student_id as id from enrolment join class_room on class_room.id = class_id
     group by student_id having bool_and(year_id = ?)`,
    [yearId],
  )
  return rows.map(({ id }) => id)
}

/**
 * The classes of a year with their students; who left before its end goes on nowhere, nor does a group of a subject
 * that is taught no more.
 */
export async function loadYearToFollow(db: Knex, yearId: string): Promise<YearToFollow> {
  const { rows } = await db.raw<{ rows: YearToFollow['classes'] }>(
    `select id, name, subject, (select coalesce(json_agg(json_build_object('id', student.id,
         'name', trim(used_name || ' ' || family), 'gradeLevel', grade_level) order by position), '[]')
       from enrolment join student on student.id = student_id
       where class_id = class_room.id
         and (to_day is null or to_day >= (select ends from school_year where id = year_id))
       ) as students
     from class_room where year_id = :year
       and (subject is null or subject in (select key from subject where year_id = :year and not retired))
     order by subject nulls first, name`,
    { year: yearId },
  )
  return { classes: rows }
}

/** Whether the school has a year, and so has been set up. */
export async function hasYear(db: Knex): Promise<boolean> {
  return (await db('school_year').first('id')) !== undefined
}

/** The year of the same name, with how many classes it has; others whose days run into these; and the school's name. */
export async function yearsBeside(
  db: Knex,
  year: { name: string; starts: string; ends: string },
): Promise<{ same: { id: string; name: string; classes: number } | undefined; overlapping: string[]; into: string }> {
  const { rows } = await db.raw<{
    rows: { id: string; name: string; classes: number; overlaps: boolean; school: string | null }[]
  }>(
    `select id, name, (select count(*) from class_room where year_id = school_year.id) as classes,
       name <> :name and starts <= :ends and ends >= :starts as overlaps,
       (select settings ->> 'name' from school where year_id = school_year.id) as school
     from school_year order by starts`,
    { name: year.name, starts: year.starts, ends: year.ends },
  )
  return {
    same: rows.find(({ name }) => name === year.name),
    overlapping: rows.filter(({ overlaps }) => overlaps).map(({ name }) => name),
    into: rows.at(-1)?.school ?? '',
  }
}

/** Nobody else makes or takes a year until this transaction ends. */
export async function holdYears(trx: Knex.Transaction): Promise<void> {
  await trx.raw('lock table school_year in exclusive mode')
}

/** Makes a year without anything in it. @returns its id */
export async function addEmptyYear(
  trx: Knex.Transaction,
  year: { name: string; starts: string; ends: string },
): Promise<string> {
  const [made] = await trx('school_year').insert(year).returning('id')
  if (!made) throw new Error('The year was not kept.')
  return made.id
}
