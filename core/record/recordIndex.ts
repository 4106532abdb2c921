import { groupBy } from '../groupBy'
import { memoize, memoizeByKey } from '../memoize'
import { rulesOfSubject, type MarkRules } from '../marks/markRules'
import type { Scale } from '../scales/scale'
import type { School, Subject } from '../school/schoolSetup'
import type { ClassRecord } from './classRecord'
import type { Attendance, Observation } from './observations'
import type { Practice } from './practice'
import type { Answer, Question } from './questions'
import { placesOfResults } from './resultPlaces'
import type { Student } from './roster'
import type {
  LevelKind,
  StudentComment,
  StudentLevel,
  StudentMark,
  StudentResult,
  SubjectCategory,
  SubjectWork,
} from './termRecord'

/** The record by what it is looked up by. Made once per record in O(size); each look-up is O(1). */
export interface RecordIndex {
  readonly record: ClassRecord
  readonly student: (id: string) => Student | undefined
  readonly scale: (key: string) => Scale | undefined
  /** How marks of a subject are worked out. */
  readonly rulesOf: (subject: string) => MarkRules
  /** The scale of a subject's marks. */
  readonly markScaleOf: (subject: string) => Scale | undefined
  /** Oldest first. */
  readonly workOf: (subject: string) => readonly SubjectWork[]
  readonly categoriesOf: (subject: string) => readonly SubjectCategory[]
  readonly resultsOf: (studentId: string, subject: string) => readonly StudentResult[]
  readonly resultOf: (workId: string, studentId: string) => StudentResult | undefined
  /** By student; the very same map for as long as no result of the work changes. */
  readonly resultsOfWork: (workId: string) => ReadonlyMap<string, StudentResult>
  readonly markOf: (studentId: string, subject: string) => StudentMark | undefined
  /** The symbol settled for a skill or habit. */
  readonly levelOf: (studentId: string, kind: LevelKind, key: string) => string | undefined
  readonly commentOf: (studentId: string, box: string) => StudentComment | undefined
  /** Notes that say a level or a score of a skill or a habit, oldest first. */
  readonly ratingsOf: (place: { studentId: string; kind: LevelKind; about: string }) => readonly Observation[]
  /** In the order of the record. */
  readonly notesOf: (studentId: string) => readonly Observation[]
  readonly attendanceOf: (studentId: string) => Attendance | undefined
  /** In the order of the paper. */
  readonly questionsOf: (workId: string) => readonly Question[]
  /** What a child reached in each question of a piece of work that has an answer. */
  readonly answersOf: (workId: string, studentId: string) => readonly Answer[]
  readonly practiceOf: (studentId: string) => readonly Practice[]
  /** What was settled and written the term before. */
  readonly markBefore: (studentId: string, subject: string) => StudentMark | undefined
  readonly levelBefore: (studentId: string, kind: LevelKind, key: string) => string | undefined
  readonly commentBefore: (studentId: string, box: string) => StudentComment | undefined
}

/**
 * Indexes a record. Nothing is copied: the index reads the record it was made from. A part of the record that is the
 * very same list as in a record indexed before is not read again, so that after a change to one part it is only that
 * part's size that counts.
 */
export function indexRecord(record: ClassRecord): RecordIndex {
  const students = studentsById(record.students)
  const scales = scalesByKey(record.scales)
  const markScales = markScalesBySubject(record.subjects)
  const work = workBySubject(record.work)
  const subjectOfWork = subjectsOfWork(record.work)
  const categories = categoriesBySubject(record.categories)
  const results = placesOfResults(record.results)
  const marks = marksByPlace(record.marks)
  const levels = levelsByPlace(record.levels)
  const habitScores = levelsByPlace(record.habitScores)
  const comments = commentsByPlace(record.comments)
  const attendance = attendanceByStudent(record.attendance)
  const questions = questionsByWork(record.questions)
  const answers = answersByPlace(record.answers)
  const practice = practiceByStudent(record.practice)
  const ratings = ratingsByPlace(record.observations)
  const notes = notesByStudent(record.observations)
  const [before] = record.earlier
  const marksBefore = marksByPlace(before?.marks ?? none)
  const levelsBefore = levelsByPlace(before?.levels ?? none)
  const habitScoresBefore = levelsByPlace(before?.habitScores ?? none)
  const commentsBefore = commentsByPlace(before?.comments ?? none)
  return {
    record,
    student: (id) => students.get(id),
    scale: (key) => scales.get(key),
    rulesOf: (subject) => rulesBySubject(record.school.markRules, subject),
    markScaleOf: (subject) => scales.get(markScales.get(subject) ?? ''),
    workOf: (subject) => work.get(subject) ?? [],
    categoriesOf: (subject) => categories.get(subject) ?? [],
    resultsOf: (studentId, subject) => {
      const all = results.byStudent.get(studentId)
      return (all && resultsBySubject(all, subjectOfWork).get(subject)) ?? []
    },
    resultOf: (workId, studentId) => results.byWork.get(workId)?.get(studentId),
    resultsOfWork: (workId) => results.byWork.get(workId) ?? noResults,
    markOf: (studentId, subject) => marks.get(pair(studentId, subject)),
    levelOf: (studentId, kind, key) => (kind === 'habit' ? habitScores : levels).get(pair(studentId, key)),
    commentOf: (studentId, box) => comments.get(pair(studentId, box)),
    ratingsOf: ({ studentId, kind, about }) => ratings.get(pair(studentId, `${kind} ${about}`)) ?? none,
    notesOf: (studentId) => notes.get(studentId) ?? none,
    attendanceOf: (studentId) => attendance.get(studentId),
    questionsOf: (workId) => questions.get(workId) ?? none,
    answersOf: (workId, studentId) => answers.get(pair(workId, studentId)) ?? none,
    practiceOf: (studentId) => practice.get(studentId) ?? none,
    markBefore: (studentId, subject) => marksBefore.get(pair(studentId, subject)),
    levelBefore: (studentId, kind, key) =>
      (kind === 'habit' ? habitScoresBefore : levelsBefore).get(pair(studentId, key)),
    commentBefore: (studentId, box) => commentsBefore.get(pair(studentId, box)),
  }
}

const none: readonly never[] = []

const studentsById = memoize((students: readonly Student[]) => new Map(students.map((each) => [each.id, each])))
const notesByStudent = memoize((notes: readonly Observation[]) => groupBy(notes, ({ studentId }) => studentId))
const scalesByKey = memoize((scales: readonly Scale[]) => new Map(scales.map((each) => [each.key, each])))
const markScalesBySubject = memoize(
  (subjects: readonly Subject[]) => new Map(subjects.map((each) => [each.key, each.markScale])),
)
const workBySubject = memoize((work: readonly SubjectWork[]) =>
  groupBy(
    [...work].sort((a, b) => (a.date ?? '').localeCompare(b.date ?? '')),
    (each) => each.subject,
  ),
)
const subjectsOfWork = memoize((work: readonly SubjectWork[]) => new Map(work.map((each) => [each.id, each.subject])))
const categoriesBySubject = memoize((categories: readonly SubjectCategory[]) =>
  groupBy(categories, (each) => each.subject),
)
const noResults: ReadonlyMap<string, StudentResult> = new Map()
/** A student's results by subject, for as long as neither the results nor the work change. */
function resultsBySubject(
  results: readonly StudentResult[],
  subjectOfWork: ReadonlyMap<string, string>,
): ReadonlyMap<string, readonly StudentResult[]> {
  const before = bySubject.get(results)
  if (before?.subjectOfWork === subjectOfWork) return before.made
  const made = groupBy(results, (each) => subjectOfWork.get(each.workId) ?? '')
  bySubject.set(results, { subjectOfWork, made })
  return made
}
const bySubject = new WeakMap<
  readonly StudentResult[],
  { subjectOfWork: ReadonlyMap<string, string>; made: ReadonlyMap<string, readonly StudentResult[]> }
>()
const marksByPlace = memoize(
  (marks: readonly StudentMark[]) => new Map(marks.map((each) => [pair(each.studentId, each.subject), each])),
)
const levelsByPlace = memoize(
  (levels: readonly StudentLevel[]) => new Map(levels.map((each) => [pair(each.studentId, each.about), each.symbol])),
)
const commentsByPlace = memoize(
  (comments: readonly StudentComment[]) => new Map(comments.map((each) => [pair(each.studentId, each.box), each])),
)
const ratingsByPlace = memoize((observations: readonly Observation[]) =>
  groupBy(
    observations.filter(({ symbol }) => symbol !== null),
    ({ studentId, kind, about }) => pair(studentId, `${kind} ${about}`),
  ),
)
const attendanceByStudent = memoize(
  (attendance: readonly Attendance[]) => new Map(attendance.map((each) => [each.studentId, each])),
)
const questionsByWork = memoize((questions: readonly Question[]) =>
  groupBy(
    questions.toSorted((a, b) => a.number - b.number),
    (each) => each.workId,
  ),
)
const answersByPlace = memoize((answers: readonly Answer[]) =>
  groupBy(answers, (each) => pair(each.workId, each.studentId)),
)
const practiceByStudent = memoize((practice: readonly Practice[]) => groupBy(practice, (each) => each.studentId))

/** The rules of each subject, put together once for as long as the school's are the same. */
const rulesBySubject = memoizeByKey((markRules: School['markRules'], subject) => rulesOfSubject(markRules, subject))

function pair(a: string, b: string): string {
  return `${a}\u0000${b}`
}
