import type {
  ClassesAnswer,
  ClassToWrite,
  ListedStudent,
  RosterAnswer,
  StudentsToWrite,
  StudentToMove,
  TermToWrite,
} from '../../contracts/classes'
import { inOrder, outOfOrder } from '../../contracts/days'
import { addDays } from '../../core/addDays'
import { yearProblems } from '../../core/terms/schoolYear'
import { allow, changesSchool } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { isWorkedIn, loadRoster, loadYear, studentsByNumber, type KnownStudent } from '../data/rosters'
import { studentRow } from '../data/studentColumns'
import { save, setupOf, type Context } from './context'

/** What the school's own people and days are changed for. */
const forSchool = { classId: null, termId: null, needs: ['school' as const] }

/** A year with its terms and classes. */
export async function viewClasses(context: Context, yearId: string): Promise<ClassesAnswer> {
  allow(changesSchool(context.who), 'see the school’s classes')
  return found(await loadYear(context.db, yearId), 'There is no such school year.')
}

/** Adds a term to a year, changes its days, or takes it away where nothing rests on it. */
export async function writeTerm(
  context: Context,
  yearId: string,
  { id, term, was }: TermToWrite,
): Promise<number | null> {
  allow(changesSchool(context.who), 'change the terms')
  const { year, terms } = await viewClasses(context, yearId)
  const others = terms.filter((each) => each.id !== id)
  const [problem] = yearProblems(year, term ? [...others, term] : others)
  if (problem !== undefined) throw new Refusal('invalid', problem)
  const row = (each: NonNullable<TermToWrite['term']>): Row => ({
    year_id: yearId,
    name: each.name.trim(),
    starts: each.starts,
    ends: each.ends,
    progress_due: each.progressDue ?? null,
    comments_due: each.commentsDue,
    locks: each.locks,
  })
  const change: Change = { table: 'term', key: { id }, seen: was && row(was), after: term && row(term) }
  return (await save(context, { ...forSchool, kind: 'changed a term' }, [change])).event
}

/** Adds a class to a year, names it anew, or takes it away where nothing rests on it. */
export async function writeClass(
  context: Context,
  yearId: string,
  { id, name, was, subject }: ClassToWrite,
): Promise<number | null> {
  allow(changesSchool(context.who), 'change the classes')
  const { classes } = await viewClasses(context, yearId)
  const { subjects } = await setupOf(context, yearId)
  if (was === null && subject !== null && !subjects.some(({ key }) => key === subject))
    throw new Refusal('not found', 'There is no such subject in this year.')
  const other = classes.find((each) => each.id !== id && each.name.toLowerCase() === name?.toLowerCase())
  if (other) throw new Refusal('invalid', `There is a class “${other.name}” in this year already.`)
  // What a group is a group of stays: marks and comments of its children hang on the subject.
  const kept = classes.find((each) => each.id === id)?.subject ?? subject
  const row = (called: string): Row => ({ year_id: yearId, name: called, subject: kept })
  if (name === null && (await isWorkedIn(context.db, id)))
    throw new Refusal(
      'invalid',
      `${was ?? 'It'} stays: what was done there is on record. It can be called something else.`,
    )
  const seen = was === null ? null : row(was)
  const change: Change = { table: 'class_room', key: { id }, seen, after: name === null ? null : row(name) }
  const kind =
    was === null
      ? `added a ${subject === null ? 'class' : 'group'}`
      : name === null
        ? 'took a class away'
        : 'changed a class'
  return (await save(context, { ...forSchool, kind }, [change])).event
}

/** A class's list. */
export async function viewRoster(context: Context, yearId: string, classId: string): Promise<RosterAnswer> {
  allow(changesSchool(context.who), 'change the class list')
  return found(await loadRoster(context.db, { yearId, classId }), 'There is no such class.')
}

/**
 * Takes students into a class, changes how they are kept, or takes them out of the class; what is recorded about them
 * stays. A number that is another child's is refused; the same child in a second class is one student.
 */
export async function writeStudents(
  context: Context,
  place: { yearId: string; classId: string },
  { students }: StudentsToWrite,
): Promise<number | null> {
  const { students: standing } = await viewRoster(context, place.yearId, place.classId)
  const here = new Map(standing.map((student) => [student.id, placeRow(student)]))
  const numbers = students.flatMap(({ student }) => student?.schoolNumber ?? [])
  const known = await studentsByNumber(context.db, numbers)
  const disordered = students.find(({ student }) => student && !inOrder(student))
  if (disordered) throw new Refusal('invalid', outOfOrder)
  const changes = students.flatMap(({ id, student, was, position }): Change[] => {
    const same = student && known.get(student.schoolNumber)
    if (same && same.id !== id) requireSameChild(student, same)
    const studentId = same?.id ?? id
    const enrolment: Change = {
      table: 'enrolment',
      key: { class_id: place.classId, student_id: studentId },
      seen: seenPlace(here.get(studentId), was),
      after: student ? placeRow({ position, ...student }) : null,
    }
    if (student === null || (same && same.id !== id)) return [enrolment]
    return [{ table: 'student', key: { id }, seen: was && studentRow(was), after: studentRow(student) }, enrolment]
  })
  requireEachOnce(students)
  const kind = students.length === 1 ? 'changed a student' : `changed ${students.length} students`
  return (await save(context, { ...forSchool, kind }, changes)).event
}

/**
 * A student leaves a class after a day, for another class of the year or for no other. What was settled and written
 * stays with the student.
 */
export async function moveStudent(
  context: Context,
  { yearId, classId }: { yearId: string; classId: string },
  { studentId, lastDay, to, was }: StudentToMove,
): Promise<number | null> {
  const roster = await viewRoster(context, yearId, classId)
  const here = found(
    roster.students.find((each) => each.id === studentId),
    'This student is not in the class.',
  )
  if (!inOrder({ from: here.from, to: lastDay })) throw new Refusal('invalid', outOfOrder)
  const key = (room: string): Row => ({ class_id: room, student_id: studentId })
  const changes: Change[] = [
    {
      table: 'enrolment',
      key: key(classId),
      seen: placeRow({ ...here, ...was }),
      after: placeRow({ ...here, to: lastDay }),
    },
  ]
  if (to !== null) {
    if (to === classId) throw new Refusal('invalid', 'The student is in this class already.')
    const { students, subject } = await viewRoster(context, yearId, to)
    if (subject !== roster.subject)
      throw new Refusal('invalid', 'A child goes from one home class to another, or between groups of one subject.')
    const there = students.find((each) => each.id === studentId)
    const last = Math.max(-1, ...students.map((each) => each.position)) + 1
    const place = {
      position: there?.position ?? last,
      gradeLevel: here.gradeLevel,
      from: addDays(lastDay, 1),
      to: null,
    }
    changes.push({ table: 'enrolment', key: key(to), seen: there ? placeRow(there) : null, after: placeRow(place) })
  }
  return (await save(context, { ...forSchool, kind: 'moved a student' }, changes)).event
}

function requireSameChild(wanted: ListedStudent, standing: KnownStudent): void {
  if (wanted.family === standing.family && wanted.legalGiven === standing.legalGiven) return
  const name = `${standing.usedName} ${standing.family}`.trim()
  throw new Refusal('invalid', `The number ${wanted.schoolNumber} is ${name}’s already. Nothing was changed.`)
}

function requireEachOnce(students: StudentsToWrite['students']): void {
  const seen = new Set<string>()
  for (const { student } of students) {
    if (student && seen.has(student.schoolNumber)) {
      throw new Refusal('invalid', `The number ${student.schoolNumber} stands twice. Nothing was changed.`)
    }
    if (student) seen.add(student.schoolNumber)
  }
}

/** A child's place as its writer saw it; the order of the list is nobody's view. */
function seenPlace(stands: Row | undefined, was: ListedStudent | null): Row | null {
  if (!stands || !was) return stands ?? null
  return { ...stands, grade_level: was.gradeLevel, from_day: was.from, to_day: was.to }
}

/** A child's place in a class: in the list, the grade of this year, and from when to when. */
function placeRow({
  position,
  gradeLevel,
  from,
  to,
}: Pick<RosterAnswer['students'][number], 'position' | 'gradeLevel' | 'from' | 'to'>): Row {
  return { position, grade_level: gradeLevel, from_day: from, to_day: to }
}

function found<T>(it: T | undefined, missing: string): T {
  if (it === undefined) throw new Refusal('not found', missing)
  return it
}
