import type { Knex } from 'knex'
import type { DraftSentence } from '../../core/narrative/because'
import { readPronouns } from '../../core/people/pronouns'
import type { ClassTerm } from '../../core/record/classRecord'
import type { Student } from '../../core/record/roster'
import type { Term } from '../../core/record/term'
import type { StudentComment, StudentLevel, StudentMark } from '../../core/record/termRecord'
import { Refusal } from '../access/refusal'

type StoredSentence = Partial<DraftSentence> & Pick<DraftSentence, 'start' | 'end' | 'phraseIds' | 'because'>

/** A comment as its table keeps it. */
export interface CommentRow {
  text: string
  sentences: StoredSentence[]
  own_words: boolean
  status: StudentComment['status']
}

type StoredComment = Omit<StudentComment, 'sentences'> & { sentences: StoredSentence[] }
type StoredLevel = StudentLevel & { kind: 'skill' | 'habit' }

interface Settled {
  marks: StudentMark[] | null
  levels: StoredLevel[] | null
  comments: StoredComment[] | null
}

interface TermRecordRow extends Settled {
  room: string | null
  term: Term | null
  earlier: (Settled & { term: Term }) | null
  teachers: { subject: string | null; name: string }[] | null
  students: (Omit<Student, 'pronouns'> & { pronouns: string })[] | null
  categories: ClassTerm['categories'] | null
  work: ClassTerm['work'] | null
  results: ClassTerm['results'] | null
  attendance: ClassTerm['attendance'] | null
  observations: ClassTerm['observations'] | null
  accepted: ClassTerm['accepted'] | null
  namesInYear: string[] | null
}

const termColumns = `'id', id, 'name', name, 'year', year, 'starts', starts, 'ends', ends,
  'commentsDue', comments_due, 'locks', locks`

/** What is settled and written in a term, by a CTE's name. */
const settled = (term: string): string => `
  'marks', (select json_agg(json_build_object('studentId', student_id, 'subject', subject, 'percent', percent,
      'special', special, 'reason', reason))
    from settled_mark where term_id = (select id from ${term}) and student_id = any(array(select id from pupil))),
  'levels', (select json_agg(json_build_object('studentId', student_id, 'kind', kind, 'about', about,
      'symbol', symbol))
    from settled_level where term_id = (select id from ${term}) and student_id = any(array(select id from pupil))),
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
    'results', (select json_agg(json_build_object('workId', work_id, 'studentId', student_id, 'state', state,
        'score', score, 'remark', remark)) from result where work_id = any(array(select id from piece))),
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
export async function loadTermRecord(db: Knex, classId: string, termId: string): Promise<ClassTerm> {
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
    term: row.term,
    earlier: row.earlier ? [{ term: row.earlier.term, ...settledOf(row.earlier) }] : [],
    teachers: Object.fromEntries(teachers.flatMap(({ subject, name }) => (subject === null ? [] : [[subject, name]]))),
    students: (row.students ?? []).map(withPronouns),
    categories: row.categories ?? [],
    work: row.work ?? [],
    results: row.results ?? [],
    ...settledOf(row),
    attendance: row.attendance ?? [],
    observations: row.observations ?? [],
    accepted: row.accepted ?? [],
    namesInYear: row.namesInYear ?? [],
  }
}

function settledOf(row: Settled): Pick<ClassTerm, 'marks' | 'levels' | 'habitScores' | 'comments'> {
  const levels = row.levels ?? []
  const ofKind = (wanted: StoredLevel['kind']): StudentLevel[] =>
    levels.flatMap(({ kind, ...level }) => (kind === wanted ? [level] : []))
  return {
    marks: row.marks ?? [],
    levels: ofKind('skill'),
    habitScores: ofKind('habit'),
    comments: (row.comments ?? []).map((comment) => ({
      ...comment,
      sentences: comment.sentences.map((sentence) => withComposed(sentence, comment.text)),
    })),
  }
}

function withPronouns(row: NonNullable<TermRecordRow['students']>[number]): Student {
  return { ...row, pronouns: readPronouns(row.pronouns) ?? 'name only' }
}

/** Sentences kept before they remembered their composed words are taken to stand as they were composed. */
function withComposed(sentence: StoredSentence, text: string): DraftSentence {
  const because = sentence.because.map((each) => ({ ...each, about: each.about ?? '', tier: each.tier ?? null }))
  return { composed: text.slice(sentence.start, sentence.end), parts: [], ...sentence, because }
}

/** A comment's row as the comment that its writer may be shown. */
export function commentOf(row: CommentRow, at: Pick<StudentComment, 'studentId' | 'box' | 'version'>): StudentComment {
  const sentences = row.sentences.map((sentence) => withComposed(sentence, row.text))
  return { ...at, text: row.text, sentences, ownWords: row.own_words, status: row.status }
}
