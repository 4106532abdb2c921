import { createWriteStream } from 'node:fs'
import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { classOfSchoolFolder, type ClassAndTerm } from '../core/exchange/folder/classOfSchoolFolder'
import type { Folder } from '../core/exchange/folder/folderReader'
import { readClassFolder, withProposalsTaken } from '../core/exchange/folder/readClassFolder'
import { readSchoolFolder, yearFile } from '../core/exchange/folder/schoolFolder'
import { problemText } from '../core/exchange/files/problem'
import { writeCsv } from '../core/exchange/files/writeCsv'
import { countGraphemes } from '../core/narrative/graphemes'
import { displayName } from '../core/people/names'
import type { ClassRecord } from '../core/record/classRecord'
import { writeComments } from '../core/record/draftBox'
import { indexRecord } from '../core/record/recordIndex'
import { composeReport } from '../core/reports/composeReport'
import { familyFacts } from '../core/reports/familyFacts'
import { setReports } from '../press/pdf/setReports'

const usage =
  'Usage: npm run batch -- --in FOLDER --out FOLDER, and of a school folder: --class "5 Juniper" --term "Spring term"'

/** Writes a line for a person to read. */
type Say = (line: string) => void

/**
 * The main job without server or database: a class's folder in, comments.csv, reports.pdf and run.json out.
 * @returns the exit code: 0 when all was written, 2 when the input was wrong and nothing was
 */
export async function runBatch(args: string[], complain: Say, tell: Say): Promise<number> {
  const folders = readFolders(args)
  if (!folders) {
    complain(usage)
    return 2
  }
  const begun = performance.now()
  const { record, problems } = await readFolder(folders)
  if (!record) {
    problems.forEach(complain)
    return 2
  }
  const read = performance.now()
  const settled = withProposalsTaken(record)
  const written = { ...settled, comments: writeComments(settled) }
  const drafted = performance.now()
  await mkdir(folders.out, { recursive: true })
  // Each file is written beside its place and then moved there, so that a stop halfway leaves no half a file.
  const pages = await placed(folders.out, 'reports.pdf', (path) => setPdf(written, path))
  const set = performance.now()
  await placed(folders.out, 'comments.csv', (path) => writeFile(path, commentsCsv(written)))
  const timings = { readMs: round(read - begun), draftMs: round(drafted - read), setMs: round(set - drafted) }
  await placed(folders.out, 'run.json', (path) =>
    writeFile(path, `${JSON.stringify(runReport(written, pages, timings), null, 2)}\n`),
  )
  tell(
    `${written.students.length} students, ${written.comments.filter((comment) => comment.text !== '').length} comments, ${[...pages.values()].reduce((sum, each) => sum + each, 0)} pages in ${folders.out}`,
  )
  return 0
}

interface Wanted extends ClassAndTerm {
  in: string
  out: string
}

function readFolders(args: string[]): Wanted | null {
  const option = { type: 'string' } as const
  try {
    const { values } = parseArgs({ args, options: { in: option, out: option, class: option, term: option } })
    const { in: from, out, class: room = '', term = '' } = values
    return from !== undefined && out !== undefined ? { in: from, out, room, term } : null
  } catch {
    return null
  }
}

async function readFolder(wanted: Wanted): Promise<{ record: ClassRecord | null; problems: string[] }> {
  const path = wanted.in
  const entries = await readdir(path, { withFileTypes: true }).catch(() => null)
  if (!entries) return { record: null, problems: [`${path}: There is no such folder.`] }
  const names = entries.filter((entry) => entry.isFile()).map((entry) => entry.name)
  const files = new Map(
    await Promise.all(names.map(async (name) => [name, new Uint8Array(await readFile(join(path, name)))] as const)),
  )
  if (files.has(yearFile)) return readClassOf(files, wanted)
  const { record, problems } = readClassFolder(files)
  return { record, problems: problems.map(problemText) }
}

/** One class and term of a school folder. */
function readClassOf(files: Folder, wanted: Wanted): { record: ClassRecord | null; problems: string[] } {
  const { folder, problems } = readSchoolFolder(files)
  if (!folder) return { record: null, problems: problems.map(problemText) }
  const record = classOfSchoolFolder(folder, wanted) ?? null
  const classes = folder.rows.classes.map(({ name }) => name).join(', ')
  const terms = folder.year.terms.map(({ name }) => name).join(', ')
  const choose = `Say which class with --class (${classes}) and which term with --term (${terms}).`
  return { record, problems: record ? [] : [`This is a school folder. ${choose}`] }
}

function setPdf(record: ClassRecord, path: string): Promise<Map<string, number>> {
  const index = indexRecord(record)
  const today = new Date()
  const reports = record.students.map((student) =>
    composeReport(familyFacts(index, student), record.layout, today.toISOString()),
  )
  const title = `${record.layout.title}s: ${record.classRoom.name}, ${record.term.name} ${record.term.year}`
  return setReports(reports, createWriteStream(path), { title, language: 'en-GB', madeAt: today })
}

function commentsCsv(record: ClassRecord): string {
  const students = new Map(record.students.map((student) => [student.id, student]))
  const rows = record.comments.map((comment) => {
    const student = students.get(comment.studentId)
    const name = student ? displayName({ given: student.usedName, family: student.family }) : ''
    return [comment.studentId, name, comment.box, countGraphemes(comment.text), comment.text]
  })
  return writeCsv([['number', 'name', 'box', 'characters', 'text'], ...rows])
}

function runReport(record: ClassRecord, pages: ReadonlyMap<string, number>, timings: Record<string, number>): object {
  const index = indexRecord(record)
  return {
    format: 'facunda run 1',
    class: record.classRoom.name,
    term: `${record.term.name} ${record.term.year}`,
    students: record.students.map((student) => ({
      number: student.schoolNumber,
      name: displayName({ given: student.usedName, family: student.family }),
      pages: pages.get(student.id) ?? 0,
      comments: record.boxes
        .flatMap((box) => index.commentOf(student.id, box.key) ?? [])
        .map((comment) => ({
          box: comment.box,
          length: countGraphemes(comment.text),
          text: comment.text,
          sentences: comment.sentences.map((sentence) => ({
            text: comment.text.slice(sentence.start, sentence.end),
            phrases: sentence.phraseIds,
            because: sentence.because,
          })),
        })),
    })),
    timings,
  }
}

async function placed<T>(folder: string, name: string, write: (path: string) => Promise<T>): Promise<T> {
  const beside = join(folder, `.${name}.part`)
  try {
    const made = await write(beside)
    await rename(beside, join(folder, name))
    return made
  } finally {
    await rm(beside, { force: true })
  }
}

function round(milliseconds: number): number {
  return Math.round(milliseconds * 10) / 10
}
