import type { ResultState } from '../../marks/work'
import { writePronouns } from '../../people/pronouns'
import type { RecordIndex } from '../../record/recordIndex'
import type { StudentResult } from '../../record/termRecord'
import type { Subject } from '../../school/schoolSetup'
import { writeCsv } from '../files/writeCsv'
import { bundleFiles, headingsOf, inManifest, type BundleFile } from './tables'

type Cells = Readonly<Record<string, string | number | null>>

/**
 * A class in a term as a OneRoster bundle, version 1.2, by file names: the school, the year and term, a class for each
 * subject in which there is work, its students, and all results. What the standard has no heading for stands under
 * `metadata.facunda.` (a work's weight, whether it counts), as it allows.
 */
export function writeBundle(index: RecordIndex): Map<string, string> {
  const { record } = index
  const here: Here = {
    index,
    school: 'school',
    subjects: record.subjects.filter(({ key }) => index.workOf(key).length > 0),
    roomOf: (subject) => `${record.classRoom.id}-${subject}`,
  }
  const rows: Rows = { ...placeRows(here), ...peopleRows(here), ...workRows(here) }
  return new Map([
    ['manifest.csv', manifest(rows)],
    ...bundleFiles.flatMap((file): [string, string][] => (rows[file] ? [[`${file}.csv`, csv(file, rows[file])]] : [])),
  ])
}

type Rows = Partial<Record<BundleFile, Cells[]>>

/** What the rows of every file are made from. */
interface Here {
  readonly index: RecordIndex
  readonly school: string
  /** Those in which there is work; each is a class of its own. */
  readonly subjects: readonly Subject[]
  /** The class of a subject. */
  readonly roomOf: (subject: string) => string
}

function placeRows({ index: { record }, school, subjects, roomOf }: Here): Rows {
  const { term, classRoom, students } = record
  const year = `year-${term.yearId}`
  const grades = [...new Set(students.map(({ gradeLevel }) => gradeLevel))].join(',')
  return {
    orgs: [{ sourcedId: school, name: record.school.name, type: 'school' }],
    academicSessions: [
      session(year, { title: term.year, type: 'schoolYear', term }),
      { ...session(term.id, { title: term.name, type: 'gradingPeriod', term }), parentSourcedId: year },
    ],
    courses: subjects.map(({ key, name }) => ({
      sourcedId: `course-${key}`,
      schoolYearSourcedId: year,
      title: name,
      orgSourcedId: school,
      subjects: name,
    })),
    classes: subjects.map(({ key, name }) => ({
      sourcedId: roomOf(key),
      title: `${classRoom.name}, ${name}`,
      grades,
      courseSourcedId: `course-${key}`,
      classType: 'scheduled',
      schoolSourcedId: school,
      termSourcedIds: term.id,
      subjects: name,
    })),
  }
}

function peopleRows({ index: { record }, school, subjects, roomOf }: Here): Rows {
  const { students } = record
  return {
    users: students.map((student) => ({
      sourcedId: student.id,
      enabledUser: 'true',
      username: student.schoolNumber,
      givenName: student.legalGiven,
      familyName: student.family,
      identifier: student.schoolNumber,
      preferredGivenName: student.usedName,
      grades: student.gradeLevel,
      primaryOrgSourcedId: school,
      pronouns: writePronouns(student.pronouns),
    })),
    roles: students.map(({ id }) => ({
      sourcedId: `role-${id}`,
      userSourcedId: id,
      roleType: 'primary',
      role: 'student',
      orgSourcedId: school,
    })),
    enrollments: subjects.flatMap(({ key }) =>
      students.map(({ id }) => ({
        sourcedId: `${roomOf(key)}-${id}`,
        classSourcedId: roomOf(key),
        schoolSourcedId: school,
        userSourcedId: id,
        role: 'student',
        primary: 'false',
      })),
    ),
  }
}

function workRows({ index, school, subjects, roomOf }: Here): Rows {
  const { term } = index.record
  const pieces = subjects.flatMap(({ key }) => index.workOf(key))
  return {
    categories: subjects.flatMap(({ key: subject }) =>
      index.categoriesOf(subject).map(({ key, name, weight }) => ({
        sourcedId: `${roomOf(subject)}-${key}`,
        title: name,
        weight,
      })),
    ),
    lineItems: pieces.map((piece) => ({
      'sourcedId': piece.id,
      'title': piece.title,
      'assignDate': piece.date ?? term.ends,
      'dueDate': piece.date ?? '',
      'classSourcedId': roomOf(piece.subject),
      'categorySourcedId': `${roomOf(piece.subject)}-${piece.category}`,
      'gradingPeriodSourcedId': term.id,
      'resultValueMin': 0,
      'resultValueMax': piece.outOf,
      'schoolSourcedId': school,
      'metadata.facunda.weight': piece.weight,
      'metadata.facunda.counts': String(piece.counts),
      // The standard wants a day; ours is read back as none.
      'metadata.facunda.dated': String(piece.date !== null),
    })),
    results: pieces.flatMap((piece) =>
      [...index.resultsOfWork(piece.id).values()].map((result) => ({
        ...resultCells(result),
        scoreDate: piece.date ?? term.ends,
        classSourcedId: roomOf(piece.subject),
      })),
    ),
  }
}

function session(
  sourcedId: string,
  { title, type, term }: { title: string; type: string; term: { starts: string; ends: string } },
): Cells {
  const schoolYear = /\d{4}/.exec(term.ends)?.[0] ?? ''
  return { sourcedId, title, type, startDate: term.starts, endDate: term.ends, schoolYear }
}

const statuses: Readonly<Record<ResultState, string>> = {
  scored: 'fully graded',
  late: 'fully graded',
  missing: 'not submitted',
  excused: 'exempt',
  incomplete: 'partially graded',
}

function resultCells({ workId, studentId, state, score, remark }: StudentResult): Cells {
  const flag = (is: boolean): string => (is ? 'true' : 'false')
  return {
    sourcedId: `${workId}-${studentId}`,
    lineItemSourcedId: workId,
    studentSourcedId: studentId,
    scoreStatus: statuses[state],
    score,
    comment: remark,
    inProgress: 'false',
    incomplete: flag(state === 'incomplete'),
    late: flag(state === 'late'),
    missing: flag(state === 'missing'),
  }
}

function manifest(rows: Rows): string {
  const written: readonly string[] = Object.keys(rows)
  return writeCsv([
    ['propertyName', 'value'],
    ['manifest.version', '1.0'],
    ['oneroster.version', '1.2'],
    ...inManifest.map((file) => [`file.${file}`, written.includes(file) ? 'bulk' : 'absent']),
    ['source.systemName', 'Facunda'],
    ['source.systemCode', 'facunda'],
  ])
}

/** Bulk files leave status and dateLastModified empty. */
function csv(file: BundleFile, rows: readonly Cells[]): string {
  const more = [...new Set(rows.flatMap((row) => Object.keys(row).filter((key) => key.startsWith('metadata.'))))]
  const heads = [...headingsOf(file), ...more]
  return writeCsv([heads, ...rows.map((row) => heads.map((heading) => row[heading] ?? ''))])
}
