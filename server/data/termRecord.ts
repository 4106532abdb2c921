import type { Knex } from 'knex'
import { keptSentence, wholeSentence, type KeptSentence } from '../../core/narrative/keptSentence'
import type { StudentComment } from '../../core/record/termRecord'
import type { Row } from './changes/changeableTables'
import { JsonText } from './jsonText'
import { teachesOn, termColumns } from './places'
import { askPrepared } from './prepared'
import { studentJson } from './studentColumns'

/** A comment as its table keeps it. */
export interface CommentRow {
  text: string
  sentences: KeptSentence[]
  own_words: boolean
  status: StudentComment['status']
}

/** What a query finds as a JSON array; an empty one where it finds nothing. */
const listOf = (item: string, from: string): string => `(select coalesce(json_agg(${item}), '[]') ${from})`

/** @param term the id of a term, in SQL */
const ofPupils = (term: string): string => `term_id = ${term} and student_id = any(array(select id from pupil))`

const levels = (term: string, kind: string): string =>
  listOf(
    `case when proposed is null then json_build_array(student_id, symbols)
      else json_build_array(student_id, symbols, proposed) end`,
    `from (select student_id, json_object_agg(about, symbol) as symbols,
        json_object_agg(about, proposed) filter (where proposed is not null) as proposed from settled_level
      where kind = '${kind}' and ${ofPupils(term)} group by student_id) as of_student`,
  )

/** What is settled and written in a term, by its id in SQL. */
const settled = (term: string): string => `
  'term', (select json_build_object(${termColumns}) from term where id = ${term}),
  'marks', ${listOf(
    `json_build_object('studentId', student_id, 'subject', subject, 'percent', percent, 'special', special,
      'reason', reason, 'proposed', proposed)`,
    `from settled_mark where ${ofPupils(term)}`,
  )},
  'levels', ${levels(term, 'skill')}, 'habitScores', ${levels(term, 'habit')},
  'comments', ${listOf(
    `json_build_object('studentId', student_id, 'box', box, 'text', text, 'sentences', sentences,
      'ownWords', own_words, 'status', status, 'version', version)`,
    `from comment where ${ofPupils(term)}`,
  )}`

const here = '(select id from here)'

/** One statement: one journey to the database, and all of it of one moment. It gives the record as it travels. */
const termRecordQuery = `
  with here as (select * from term where id = :term),
    past as (select term.* from term, here where term.starts < here.starts),
    before as (select * from past where year_id = (select year_id from here)
      or starts = (select max(starts) from past)),
    pupil as (select student.*, position, grade_level from members_of(:class, :term, :today)
      join student on student.id = student_id),
    not_taken as materialized (select * from not_taking(:term, :today)),
    piece as (select * from work where class_id = :class and term_id = :term),
    teacher as (select subject, trim(given_name || ' ' || family_name) as name
      from teaching join person on person.id = person_id
      where class_id = :class and not second_reader and ${teachesOn('(select least(ends, :today) from here)')})
  select json_build_object(
    'classRoom', (select json_build_object('id', id, 'name', name, 'group', subject,
      'grades', (select coalesce(json_agg(distinct grade_level), '[]') from enrolment where class_id = :class),
      'teacher', coalesce((select name from teacher where subject is null order by name limit 1), ''))
      from class_room where id = :class),
    'teachers', (select coalesce(json_object_agg(subject, name) filter (where subject is not null), '{}')
      from teacher),
    'groups', ${listOf(
      `json_build_object('name', name, 'subject', subject, 'teacher', teacher, 'students', students) order by name`,
      `from (select room.name, room.subject,
          coalesce((select trim(given_name || ' ' || family_name) from teaching join person on person.id = person_id
            where class_id = room.id and subject = room.subject and not second_reader
              and ${teachesOn('(select least(ends, :today) from here)')} order by family_name limit 1), '') as teacher,
          json_agg(place.student_id) as students
        from class_room as room join enrolment as place on place.class_id = room.id
        where room.subject is not null and room.id <> :class and place.student_id = any(array(select id from pupil))
          and place.student_id in (select student_id from members_of(room.id, :term, :today))
          and room.year_id = (select year_id from here)
        group by room.id) as taught`,
    )},
    ${settled(here)},
    'earlier', ${listOf(`json_build_object(${settled('before.id')}) order by before.starts desc`, 'from before')},
    'students', ${listOf(
      `json_build_object('id', id, ${studentJson}, 'gradeLevel', grade_level,
        'photo', (select fingerprint from photo where student_id = pupil.id),
        'notTaking', array(select subject from not_taken where student_id = pupil.id order by subject)) order by position`,
      'from pupil',
    )},
    'categories', ${listOf(
      `json_build_object('subject', subject, 'key', key, 'name', name, 'weight', weight, 'isExam', is_exam) order by subject, key`,
      'from category where class_id = :class',
    )},
    'work', ${listOf(
      `json_build_object('id', id, 'subject', subject, 'title', title, 'category', category, 'date', done_on,
        'outOf', out_of, 'weight', weight, 'counts', counts) order by done_on, title`,
      'from piece',
    )},
    'results', ${listOf(
      'json_build_array(work_id, cells)',
      `from (select work_id, json_agg(json_build_array(student_id, state, score, remark)) as cells
        from result where work_id = any(array(select id from piece)) group by work_id) as of_work`,
    )},
    'questions', ${listOf(
      `json_build_object('workId', work_id, 'number', number, 'words', words, 'skill', skill, 'outOf', out_of)
        order by work_id, number`,
      'from question where work_id = any(array(select id from piece))',
    )},
    'answers', ${listOf(
      'json_build_array(work_id, cells)',
      `from (select work_id, json_agg(json_build_array(student_id, pairs)) as cells from (
          select work_id, student_id, json_agg(pair order by number, nth) as pairs
          from answer, lateral (values (number::float8, 1), (score, 2)) as two(pair, nth)
          where work_id = any(array(select id from piece)) group by work_id, student_id) as of_child
        group by work_id) as of_work`,
    )},
    'practice', ${listOf(
      `json_build_object('studentId', student_id, 'program', program, 'kind', kind, 'name', name, 'amount', amount,
        'beside', beside) order by student_id, program, kind, name`,
      `from practice where ${ofPupils(here)}`,
    )},
    'attendance', ${listOf(
      `json_build_object('studentId', student_id, 'daysOpen', days_open, 'absences', absences, 'lates', lates)`,
      `from attendance where ${ofPupils(here)}`,
    )},
    'observations', ${listOf(
      `json_build_object('id', observation.id, 'studentId', student_id, 'date', day, 'kind', about_kind, 'about', about,
        'symbol', symbol, 'text', text, 'mayTell', may_tell, 'by', trim(given_name || ' ' || family_name),
        'own', coalesce(written_by = :reader, false)) order by day, observation.id`,
      `from observation left join person on person.id = written_by
        where ${ofPupils(here)} and (may_tell or written_by is null or written_by = :reader)`,
    )},
    'accepted', ${listOf(
      `json_build_object('studentId', student_id, 'box', box, 'check', check_name, 'words', words)`,
      `from accepted_finding where ${ofPupils(here)}`,
    )},
    'namesInYear', ${listOf(
      'distinct used_name',
      `from student where id in (
          select student_id from enrolment join class_room on class_room.id = class_id
          where year_id = (select year_id from class_room where id = :class)
            and grade_level = any(array(select grade_level from pupil)))
        and id <> all(array(select id from pupil))`,
    )}
  )::text as record`

/**
 * One class in one term, whole but for notes that others keep for themselves, as a PackedTerm in JSON; who asks is
 * given a cut of it (access/cutRecord.ts). The class and the term must be there (data/places.ts).
 */
export async function loadTermRecord(
  db: Knex,
  { classId, termId, readerId }: { classId: string; termId: string; readerId: string },
  today: string,
): Promise<JsonText> {
  const values = { class: classId, term: termId, reader: readerId, today }
  const rows = await askPrepared<{ record: string }>(db, 'term record', termRecordQuery, values)
  return new JsonText(rows[0]?.record ?? '')
}

/** A comment as its row, apart from its key. */
export function commentRow(
  { text, sentences, ownWords, status }: Omit<StudentComment, 'version'>,
  termId: string,
): Row {
  const kept = sentences.map((sentence) => keptSentence(sentence, { text, termId }))
  return { text, sentences: kept, own_words: ownWords, status }
}

/** A comment's row as the comment that its writer may be shown. */
export function commentOf(
  row: CommentRow,
  { termId, ...at }: Pick<StudentComment, 'studentId' | 'box' | 'version'> & { termId: string },
): StudentComment {
  const sentences = row.sentences.map((sentence) => wholeSentence(sentence, { text: row.text, termId }))
  return { ...at, text: row.text, sentences, ownWords: row.own_words, status: row.status }
}
