import { z } from 'zod'
import { termMark } from '../../marks/termMark'
import type { ClassRecord } from '../../record/classRecord'
import { termSchema, type Term } from '../../record/term'
import type { StudentResult, SubjectWork, SettledTerm } from '../../record/termRecord'
import { setupOfGrade } from '../../school/setupOfGrade'
import { setupInUse } from '../../school/keptSetup'
import { indexRecord } from '../../record/recordIndex'
import { guessGradebook } from '../gradebook/guessGradebook'
import { planImport } from '../gradebook/planImport'
import type { FileProblem } from '../files/problem'
import { FolderReader, type Folder } from './folderReader'
import { readJson } from './readJson'
import { readNotes } from './readNotes'
import { readCategories, readTeachers } from './readSchoolFiles'
import { readAttendance, readHabitScores, readLevels, readMarks, readStudents } from './readStudentFiles'
import { readSetupParts, schoolFile, schoolOf } from './readSetupFolder'

const termFile = termSchema.omit({ id: true, yearId: true })

const classFile = z.object({
  school: schoolFile,
  classRoom: z.object({ name: z.string(), teacher: z.string() }),
  term: termFile,
  termBefore: termFile.optional(),
})

/**
 * Reads a class and its term from a folder of open files (docs/formats.md). Everything wrong is gathered; with any
 * problem there is no record.
 */
export function readClassFolder(files: Folder): { record: ClassRecord | null; problems: FileProblem[] } {
  const folder = new FolderReader(files)
  const head = readJson(folder, 'class.json', classFile)
  const { layout, retired, ...setup } = readSetupParts(folder)
  const students = readStudents(folder)
  const all = { ...setup, students }
  const shared = {
    ...all,
    categories: readCategories(folder, setup.subjects),
    attendance: readAttendance(folder, students),
    observations: readNotes(folder, students, setup),
    questions: [],
    answers: [],
    practice: [],
    marks: readMarks(folder, students, setup.subjects),
    levels: readLevels(folder, all),
    habitScores: readHabitScores(folder, all),
    comments: [],
    work: [],
    results: [],
    namesInYear: [],
    accepted: [],
  }
  if (!head || !layout) return { record: null, problems: folder.problems }
  const record: ClassRecord = {
    ...shared,
    teachers: readTeachers(folder),
    earlier: head.termBefore ? [readBefore(folder, termOf(head.termBefore), shared)] : [],
    school: schoolOf(head.school),
    layout,
    classRoom: { id: head.classRoom.name, ...head.classRoom },
    term: termOf(head.term),
  }
  const whole = { ...record, ...readGradebooks(folder, record) }
  return {
    record:
      folder.problems.length === 0
        ? setupOfGrade(
            setupInUse(whole, retired),
            students.map(({ gradeLevel }) => gradeLevel),
          )
        : null,
    problems: folder.problems,
  }
}

/** Within a folder, a term and a year are known by what they are called. */
function termOf(written: z.infer<typeof termFile>): Term {
  return { id: written.name, yearId: written.year, ...written }
}

/** What was settled the term before, from files of the same shape as this term's; each may be absent. */
function readBefore(
  folder: FolderReader,
  term: Term,
  record: Pick<ClassRecord, 'students' | 'skills' | 'subjects' | 'habits' | 'scales'>,
): SettledTerm {
  return {
    term,
    comments: [],
    marks: readMarks(folder, record.students, record.subjects, 'marks-before.csv'),
    levels: readLevels(folder, record, 'levels-before.csv'),
    habitScores: readHabitScores(folder, record, 'habit-scores-before.csv'),
  }
}

/**
 * Takes every proposal that nothing was settled against: what the batch command does in place of the teacher's key.
 * @example withProposalsTaken(record).marks.length // one for each student and subject with a mark to propose
 */
export function withProposalsTaken(record: ClassRecord): ClassRecord {
  const index = indexRecord(record)
  const taken = record.students.flatMap((student) =>
    record.subjects.flatMap((subject) => {
      if (index.markOf(student.id, subject.key)) return []
      const { percent } = termMark(
        index.workOf(subject.key),
        index.resultsOf(student.id, subject.key),
        index.categoriesOf(subject.key),
        { ...index.rulesOf(subject.key), scale: index.markScaleOf(subject.key) },
      )
      return percent === null
        ? []
        : [{ studentId: student.id, subject: subject.key, percent, special: null, reason: null }]
    }),
  )
  return { ...record, marks: [...record.marks, ...taken] }
}

/** Every gradebook-SUBJECT.csv (or .tsv), each laid out in its own way and guessed. */
function readGradebooks(folder: FolderReader, record: ClassRecord): Pick<ClassRecord, 'work' | 'results'> {
  const gathered: SubjectWork[] = []
  const results: StudentResult[] = []
  for (const file of folder.names()) {
    const key = /^gradebook-(.+)\.(csv|tsv)$/.exec(file)?.[1]
    if (key === undefined) continue
    if (!record.subjects.some((subject) => subject.key === key)) {
      folder.report(file, null, null, `There is no subject “${key}” in subjects.csv.`)
      continue
    }
    const table = folder.table(file)
    if (!table) continue
    const categories = record.categories.filter((category) => category.subject === key)
    const mapping = guessGradebook(
      table,
      categories.map((category) => category.name),
    )
    const plan = planImport(table, mapping, {
      students: record.students,
      work: [],
      results: [],
      categories,
    })
    for (const refused of plan.refused) folder.report(file, refused.row, refused.column || null, refused.reason)
    for (const doubt of plan.doubtful)
      folder.report(
        file,
        doubt.rows[0] ?? null,
        null,
        `“${doubt.written}” may be: ${doubt.candidates.map((each) => each.name).join(', ')}.`,
      )
    for (const name of plan.newCategories)
      folder.report(file, null, null, `The category “${name}” is not in categories.csv.`)
    gathered.push(
      ...plan.work.map(({ work }): SubjectWork => ({
        ...work,
        id: `${key}/${work.title}`,
        subject: key,
        category: categoryKey(categories, work.category),
      })),
    )
    results.push(
      ...plan.results.map((result): StudentResult => ({
        workId: `${key}/${result.title}`,
        studentId: result.studentId,
        state: result.state,
        score: result.score,
        remark: result.remark,
      })),
    )
  }
  return { work: gathered, results }
}

function categoryKey(categories: readonly { key: string; name: string }[], name: string): string {
  return (
    categories.find((category) => category.name.toLocaleLowerCase('en') === name.toLocaleLowerCase('en'))?.key ?? name
  )
}
