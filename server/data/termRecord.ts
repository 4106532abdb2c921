import type { Knex } from 'knex'
import { wholeSentence, keptSentence, type KeptSentence } from '../../core/narrative/keptSentence'
import { readPronouns } from '../../core/people/pronouns'
import type { PackedSettled, PackedTerm } from '../../core/record/packedTerm'
import type { Student } from '../../core/record/roster'
import type { StudentComment } from '../../core/record/termRecord'
import { Refusal } from '../access/refusal'
import type { Row } from './changes/changeableTables'

/** A comment as its table keeps it. */
export interface CommentRow {
  text: string
  sentences: KeptSentence[]
  own_words: boolean
  status: StudentComment['status']
}

type Nullable<T> = { [Key in keyof T]: T[Key] | null }

/** The record as the statement gives it: what there is none of is null. */
interface TermRecordRow extends Nullable<Omit<PackedTerm, 'classRoom' | 'teachers' | 'students' | 'earlier'>> {
  room: string | null
  earlier: Nullable<PackedSettled> | null
  teachers: { subject: string | null; name: string }[] | null
  students: (Omit<Student, 'pronouns'> & { pronouns: string })[] | null
}

const termColumns = `'id', id, 'name', name, 'year', year, 'starts', starts, 'ends', ends,
  'commentsDue', comments_due, 'locks', locks`

const levels = (term: string, kind: string): string => `
  (select json_agg(json_build_array(student_id, symbols)) from (
    select student_id, json_object_agg(about, symbol) as symbols from settled_level
    where term_id = (select id from ${term}) and kind = '${kind}' and student_id = any(array(select id from pupil))
    group by student_id) as of_student)`

/** What is settled and written in a term, by a CTE's name. */
const settled = (term: string): string => `
  'marks', (select json_agg(json_build_object('studentId', student_id, 'subject', subject, 'percent', percent,
      'special', special, 'reason', reason))
    from settled_mark where term_id = (select id from ${term}) and student_id = any(array(select id from pupil))),
  'levels', ${levels(term, 'skill')}, 'habitScores', ${levels(term, 'habit')},
  'comments', (select json_agg(json_build_object('studentId', student_id, 'box', box, 'text', text,
      'sentences', sentences, 'ownWords', own_words, 'status', status, 'version', version))
    from comment where term_id = (select id from ${term}) and student_id = any(array(select id from pupil)))`

/** One statement: one journey to the database, and all of it of one moment. */
const termRecordQuery = `
  with here as (select * from term where id = :term),
    earlier as (select term.* from term, here where term.starts < here.starts order by term.starts desc limit 1),
    pupil as (select student.*, position from enrolment join student on student.id = student_id
      where class_id = :class),
    piece as (select * from work where class_id = :class and term_id = :term)
  select json_build_object(
    'room', (select name from class_room where id = :class),
    'term', (select json_build_object(${termColumns}) from here),
    ${settled('here')},
    'earlier', (select json_build_object('term', json_build_object(${termColumns}), ${settled('earlier')}) from earlier),
    'teachers', (select json_agg(json_build_object('subject', subject,
        'name', trim(given_name || ' ' || family_name)))
      from teaching join person on person.id = person_id where class_id = :class),
    'students', (select json_agg(json_build_object('id', id, 'schoolNumber', school_number, 'legalGiven', legal_given,
        'usedName', used_name, 'family', family, 'pronouns', pronouns, 'gradeLevel', grade_level)
        order by position) from pupil),
    'categories', (select json_agg(json_build_object('subject', subject, 'key', key, 'name', name, 'weight', weight)
        order by subject, key) from category where class_id = :class),
    'work', (select json_agg(json_build_object('id', id, 'subject', subject, 'title', title, 'category', category,
        'date', done_on, 'outOf', out_of, 'weight', weight, 'counts', counts) order by done_on, title) from piece),
    'results', (select json_agg(json_build_array(work_id, cells)) from (
      select work_id, json_agg(json_build_array(student_id, state, score, remark)) as cells
      from result where work_id = any(array(select id from piece)) group by work_id) as of_work),
    'attendance', (select json_agg(json_build_object('studentId', student_id, 'daysOpen', days_open,
        'absences', absences, 'lates', lates))
      from attendance where term_id = :term and student_id = any(array(select id from pupil))),
    'observations', (select json_agg(json_build_object('studentId', student_id, 'date', day, 'about', about,
        'text', text) order by day)
      from observation where term_id = :term and student_id = any(array(select id from pupil))),
    'accepted', (select json_agg(json_build_object('studentId', student_id, 'box', box, 'check', check_name,
        'words', words)) from accepted_finding where term_id = :term and student_id = any(array(select id from pupil))),
    'namesInYear', (select json_agg(distinct used_name) from student
      where grade_level = any(array(select grade_level from pupil)) and id <> all(array(select id from pupil)))
  ) as record`

/**
 * One class in one term, whole; who asks is given a cut of it (access/cutRecord.ts).
 * @throws Refusal when there is no such class or term
 */
export async function loadTermRecord(db: Knex, classId: string, termId: string): Promise<PackedTerm> {
  const { rows } = await db.raw<{ rows: { record: TermRecordRow }[] }>(termRecordQuery, {
    class: classId,
    term: termId,
  })
  const row = rows[0]?.record
  if (!row?.room) throw new Refusal('not found', 'There is no such class.')
  if (!row.term) throw new Refusal('not found', 'There is no such term.')
  const teachers = row.teachers ?? []
  return {
    classRoom: { id: classId, name: row.room, teacher: teachers.find((each) => each.subject === null)?.name ?? '' },
    earlier: row.earlier?.term ? [settledOf(row.earlier, row.earlier.term)] : [],
    teachers: Object.fromEntries(teachers.flatMap(({ subject, name }) => (subject === null ? [] : [[subject, name]]))),
    students: (row.students ?? []).map(withPronouns),
    categories: row.categories ?? [],
    work: row.work ?? [],
    results: row.results ?? [],
    ...settledOf(row, row.term),
    attendance: row.attendance ?? [],
    observations: row.observations ?? [],
    accepted: row.accepted ?? [],
    namesInYear: row.namesInYear ?? [],
  }
}

function settledOf(row: Nullable<PackedSettled>, term: PackedSettled['term']): PackedSettled {
  return {
    term,
    marks: row.marks ?? [],
    levels: row.levels ?? [],
    habitScores: row.habitScores ?? [],
    comments: row.comments ?? [],
  }
}

function withPronouns(row: NonNullable<TermRecordRow['students']>[number]): Student {
  return { ...row, pronouns: readPronouns(row.pronouns) ?? 'name only' }
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
