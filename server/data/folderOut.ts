import type { Knex } from 'knex'
import type { FolderYear } from '../../core/exchange/folder/schoolFolder'
import type { FolderRow, RecordKind } from '../../core/exchange/folder/recordFiles'
import type { Phrase } from '../../core/narrative/phrase'
import { phraseOf } from './schoolSetup'
import { studentSelectForFolder } from './studentColumns'

/** A school year as its folder has it. */
export async function loadFolderYear(db: Knex, yearId: string): Promise<FolderYear> {
  const { rows } = await db.raw<{ rows: Omit<FolderYear, 'format'>[] }>(
    `select name, starts, ends, (select openings_days from retention_rule) as "openingsDays",
       (select coalesce(json_agg(json_build_object('name', name, 'starts', starts, 'ends', ends,
         'progressDue', progress_due, 'commentsDue', comments_due, 'locks', locks) order by starts), '[]')
        from term where year_id = :year) as terms
     from school_year where id = :year`,
    { year: yearId },
  )
  const [row] = rows
  if (!row) throw new Error('There is no such year.')
  return { format: 'facunda school year 1', ...row }
}

/** What a year's terms are called. */
export async function termNames(db: Knex, yearId: string): Promise<{ id: string; name: string }[]> {
  return db('term').where({ year_id: yearId }).select('id', 'name')
}

/** The year's phrases of people's own, with the names they sign in with as owners. */
export async function loadOwnPhrases(db: Knex, yearId: string): Promise<Phrase[]> {
  const rows = await db('phrase')
    .join('person', 'person.id', 'owner')
    .where({ year_id: yearId })
    .orderBy(['sign_in', 'position', 'phrase.id'])
    .select('phrase.*', 'sign_in')
  return rows.map(({ sign_in: owner, ...row }) => ({ ...phraseOf(row), owner }))
}

/** The children of a year's classes, in the order of their numbers. */
export async function studentsOfYear(db: Knex, yearId: string): Promise<string[]> {
  const rows = await db('student')
    .whereIn(
      'id',
      db('enrolment').join('class_room', 'class_room.id', 'class_id').where({ year_id: yearId }).select('student_id'),
    )
    .orderBy('school_number')
    .select('id')
  return rows.map(({ id }) => id)
}

/** What a term is called in what is kept with a comment, wherever the comment goes. */
const termWords = `(select json_object_agg(term.id, school_year.name || ' · ' || term.name)
  from term join school_year on school_year.id = year_id)`

/** Rows that belong to no child, once for the year. */
const ofYear = {
  people: `select sign_in as "signIn", given_name as given, family_name as family, role,
      case when grade_from is null then null else json_build_object('from', grade_from, 'to', grade_to) end as grades,
      switched_off as "switchedOff", coalesce(settings, '{}') as settings
    from person left join person_setting on person_id = id order by sign_in`,
  classes: `select name, subject as "group" from class_room where year_id = :year order by name`,
  teaching: `select class_room.name as room, teaching.subject, sign_in as person, second_reader as "secondReader",
      from_day as "from", to_day as "to"
    from teaching join class_room on class_room.id = class_id join person on person.id = person_id
    where year_id = :year order by class_room.name, teaching.subject nulls first, sign_in, from_day`,
  categories: `select class_room.name as room, category.subject, key, category.name, weight, is_exam as "isExam"
    from category join class_room on class_room.id = class_id where year_id = :year
    order by class_room.name, category.subject, key`,
  work: `select work.id, class_room.name as room, term.name as term, work.subject, title, category, done_on as date,
      out_of as "outOf", weight, counts
    from work join class_room on class_room.id = class_id join term on term.id = term_id
    where class_room.year_id = :year order by class_room.name, term.starts, work.subject, done_on, title`,
  questions: `select work_id as work, number, words, skill, question.out_of as "outOf"
    from question join work on work.id = work_id join class_room on class_room.id = class_id
    where year_id = :year order by work_id, number`,
} as const

/** Rows of children, some children at a time. */
const ofStudents = {
  students: `select ${studentSelectForFolder}
    from student where id = any(:students) order by school_number`,
  contacts: `select school_number as number, name, relation, household, email, language, told
    from contact join student on student.id = student_id
    where student_id = any(:students) order by school_number, position, name`,
  enrolments: `select class_room.name as room, school_number as number, grade_level as grade, position as place,
      from_day as "from", to_day as "to"
    from enrolment join class_room on class_room.id = class_id join student on student.id = student_id
    where year_id = :year and student_id = any(:students) order by school_number, from_day nulls first`,
  results: `select work_id as work, school_number as number, state, score, remark
    from result join work on work.id = work_id join term on term.id = term_id and term.year_id = :year
      join student on student.id = student_id
    where student_id = any(:students) order by school_number, work_id`,
  marks: `select term.name as term, school_number as number, subject, percent, special, reason, proposed
    from settled_mark join term on term.id = term_id and year_id = :year join student on student.id = student_id
    where student_id = any(:students) order by term.starts, school_number, subject`,
  levels: levelsQuery('skill'),
  habitScores: levelsQuery('habit'),
  attendance: `select term.name as term, school_number as number, days_open as "daysOpen", absences, lates
    from attendance join term on term.id = term_id and year_id = :year join student on student.id = student_id
    where student_id = any(:students) order by term.starts, school_number`,
  notes: `select observation.id, term.name as term, school_number as number, day, coalesce(about_kind, '') as kind,
      about, symbol, text, may_tell as "mayTell", sign_in as by
    from observation join term on term.id = term_id and year_id = :year join student on student.id = student_id
      left join person on person.id = written_by
    where student_id = any(:students) order by term.starts, school_number, day, observation.id`,
  answers: `select work_id as work, school_number as number, number as question, score
    from answer join work on work.id = work_id join term on term.id = term_id and term.year_id = :year
      join student on student.id = student_id
    where student_id = any(:students) order by school_number, work_id, number`,
  practice: `select term.name as term, school_number as number, program, kind, practice.name, amount, beside
    from practice join term on term.id = term_id and year_id = :year join student on student.id = student_id
    where student_id = any(:students) order by term.starts, school_number, program, kind, practice.name`,
  choices: `select school_number as number, subject, takes
    from subject_choice join student on student.id = student_id
    where year_id = :year and student_id = any(:students) order by school_number, subject`,
  register: `select school_number as number, day, presence
    from register_day join student on student.id = student_id
    where student_id = any(:students)
      and day between (select starts from school_year where id = :year)
        and (select ends from school_year where id = :year)
    order by school_number, day`,
  photos: `select school_number as number, jpeg from photo join student on student.id = student_id
    where student_id = any(:students) order by school_number`,
  comments: `select term.name as term, school_number as number, box, text, own_words as "ownWords", status,
      (select coalesce(jsonb_agg(jsonb_set(sentence, '{because}', (
          select coalesce(jsonb_agg(case when fact -> 'termId' is not null then fact || jsonb_build_object('termId',
              coalesce(${termWords} ->> (fact ->> 'termId'), fact ->> 'termId')) else fact end order by nth), '[]')
          from jsonb_array_elements(sentence -> 'because') with ordinality as facts(fact, nth))) order by place), '[]')
        from jsonb_array_elements(sentences) with ordinality as told(sentence, place)) as sentences
    from comment join term on term.id = term_id and year_id = :year join student on student.id = student_id
    where student_id = any(:students) order by term.starts, school_number, box`,
  accepted: `select term.name as term, school_number as number, box, check_name as "check", words as found,
      sign_in as by
    from accepted_finding join term on term.id = term_id and year_id = :year
      join student on student.id = student_id join person on person.id = person_id
    where student_id = any(:students) order by term.starts, school_number, box, check_name, words`,
} as const

function levelsQuery(kind: 'skill' | 'habit'): string {
  return `select term.name as term, school_number as number, about, symbol, proposed
    from settled_level join term on term.id = term_id and year_id = :year join student on student.id = student_id
    where kind = '${kind}' and student_id = any(:students) order by term.starts, school_number, about`
}

/** So many children at a time. */
const atOnce = 100

/** A kind's rows as a folder has them, in parts, so that no more than some children's are held at once. */
export async function* folderRows<Kind extends RecordKind>(
  db: Knex,
  kind: Kind,
  { yearId, students }: { yearId: string; students: readonly string[] },
): AsyncGenerator<FolderRow<Kind>[]> {
  const rowsOf = async (query: string, values: object): Promise<FolderRow<Kind>[]> =>
    (await db.raw<{ rows: FolderRow<Kind>[] }>(query, { year: yearId, ...values })).rows
  if (isOfYear(kind)) yield await rowsOf(ofYear[kind], {})
  else if (isOfStudents(kind)) {
    for (let from = 0; from < students.length; from += atOnce)
      yield await rowsOf(ofStudents[kind], { students: students.slice(from, from + atOnce) })
  }
}

function isOfYear(kind: RecordKind): kind is keyof typeof ofYear {
  return kind in ofYear
}

function isOfStudents(kind: RecordKind): kind is keyof typeof ofStudents {
  return kind in ofStudents
}
