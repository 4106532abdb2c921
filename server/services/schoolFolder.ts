import { unzipSync, Zip, ZipDeflate } from 'fflate'
import type { Knex } from 'knex'
import type { FolderLook } from '../../contracts/schoolFolder'
import type { Folder } from '../../core/exchange/folder/folderReader'
import { recordFileOf, recordKinds, type FolderRows, type RecordKind } from '../../core/exchange/folder/recordFiles'
import {
  ownPhrasesFile,
  readSchoolFolder,
  writeOwnPhrases,
  writeRecordRows,
  yearFile,
  type SchoolFolder,
} from '../../core/exchange/folder/schoolFolder'
import { writeSetupFolder } from '../../core/exchange/folder/writeSetupFolder'
import { problemText } from '../../core/exchange/files/problem'
import { nameKey } from '../../core/people/names'
import { yearProblems } from '../../core/terms/schoolYear'
import { allow, changesSchool } from '../access/grants'
import { Refusal } from '../access/refusal'
import { signInKey } from '../access/signInKey'
import { keepEvents } from '../data/changes/keptEvents'
import { addFolder, loadKnown } from '../data/folderIn'
import { folderRows, loadFolderYear, loadOwnPhrases, studentsOfYear, termNames } from '../data/folderOut'
import { folderTakenIn, holdYears, recordedIn, takeYearAway, yearsBeside } from '../data/newYears'
import { loadKeptSetup } from '../data/schoolSetup'
import { asOfOneMoment, inTransaction } from '../data/transactions'
import { yearOf, type Context } from './context'

/**
 * A year's whole folder as a zip, written while it is read: set-up, people, classes and everything that was recorded,
 * settled and written. That somebody took it out is kept.
 */
export async function writeWholeFolder(
  context: Context,
  yearId: string,
): Promise<{ name: string; zip: ReadableStream<Uint8Array> }> {
  allow(changesSchool(context.who), 'take the whole school folder out')
  const { name } = yearOf(context, yearId)
  const action = { personId: context.who.personId, classId: null, termId: null, kind: `took the folder of ${name} out` }
  await inTransaction(context.db, (trx) => keepEvents(trx, [{ action: { ...action, needs: [] }, changes: [] }]))
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>()
  const writer = writable.getWriter()
  asOfOneMoment(context.db, (trx) => zipFolder(trx, yearId, (bytes) => writer.write(bytes)))
    .then(() => writer.close())
    .catch((error: unknown) => writer.abort(error).catch(() => undefined))
  return { name: `School folder ${name}.zip`, zip: readable }
}

type Write = (bytes: Uint8Array) => Promise<void>

async function zipFolder(trx: Knex.Transaction, yearId: string, write: Write): Promise<void> {
  let ready: Uint8Array[] = []
  const zip = new Zip((error, bytes) => {
    if (error) throw error
    ready.push(bytes)
  })
  const send = async (): Promise<void> => {
    const parts = ready
    ready = []
    for (const part of parts) await write(part)
  }
  const encoder = new TextEncoder()
  const add = async (name: string, parts: AsyncIterable<string> | Iterable<string>): Promise<void> => {
    const file = new ZipDeflate(name, { level: 6 })
    zip.add(file)
    for await (const part of parts) {
      file.push(encoder.encode(part))
      await send()
    }
    file.push(new Uint8Array(), true)
    await send()
  }
  const { setup, retired } = await loadKeptSetup(trx, yearId)
  const terms = await termNames(trx, yearId)
  for (const [name, text] of writeSetupFolder(setup, retired, terms)) await add(name, [text])
  await add(yearFile, [`${JSON.stringify(await loadFolderYear(trx, yearId), null, 2)}\n`])
  await add(ownPhrasesFile, [writeOwnPhrases(await loadOwnPhrases(trx, yearId))])
  const students = await studentsOfYear(trx, yearId)
  for (const kind of recordKinds) await add(recordFileOf(kind).name, textOf(trx, kind, { yearId, students }))
  zip.end()
  await send()
}

async function* textOf<Kind extends RecordKind>(
  trx: Knex.Transaction,
  kind: Kind,
  of: { yearId: string; students: readonly string[] },
): AsyncGenerator<string> {
  yield writeRecordRows(kind, [], true)
  for await (const rows of folderRows(trx, kind, of)) yield writeRecordRows(kind, rows, false)
}

/** So much may be in a folder once it is unpacked. */
const mostUnpacked = 400 * 1024 * 1024

/** The files of a zip by name; a folder inside it is looked through. @throws Refusal when it is no zip, or too much */
function unpack(bytes: Uint8Array): Folder {
  let size = 0
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        const wanted = /\.(csv|json)$/i.test(name) && !name.includes('__MACOSX')
        if (wanted) size += originalSize
        if (size > mostUnpacked) throw new Refusal('too large', 'What is in this folder is more than can be read.')
        return wanted
      },
    })
    return new Map(Object.entries(files).map(([path, content]) => [path.replace(/^.*\//, ''), content]))
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw new Refusal('invalid', 'This is no zip of a school folder. Choose the file that Facunda made.')
  }
}

/** A folder to take in, by whom. `take`: false to look at it alone. */
export interface FolderOrder {
  readonly bytes: Uint8Array
  readonly take: boolean
}

/**
 * Looks at a school folder, and takes it in as a school year of its own where that is wanted and nothing speaks against
 * it: whole or not at all.
 */
export async function takeFolder({ db, who }: Context, { bytes, take }: FolderOrder): Promise<FolderLook> {
  allow(changesSchool(who), 'take a school folder in')
  const files = unpack(bytes)
  if (!files.has(yearFile)) {
    throw new Refusal('invalid', 'This folder holds a set-up alone, without people, classes and results.')
  }
  const { folder, problems } = readSchoolFolder(files)
  if (!folder) return { ...emptyLook(files), ...told(problems.map(problemText)) }
  return inTransaction(db, async (trx) => {
    await holdYears(trx)
    const look = await lookAt(trx, folder)
    if (!take || look.problems.length > 0) return look
    await addFolderAsYear(trx, folder, who.personId)
    return look
  })
}

async function addFolderAsYear(trx: Knex.Transaction, folder: SchoolFolder, personId: string): Promise<void> {
  const { name } = folder.year
  const { same } = await yearsBeside(trx, folder.year)
  if (same) await takeYearAway(trx, same.id)
  await addFolder(trx, folder)
  const action = { personId, classId: null, termId: null, kind: folderTakenIn(name) }
  await keepEvents(trx, [{ action: { ...action, needs: [] }, changes: [] }])
}

async function lookAt(trx: Knex.Transaction, folder: SchoolFolder): Promise<FolderLook> {
  const { setup, year, rows } = folder
  const known = await loadKnown(trx, rows)
  const { same, overlapping, into } = await yearsBeside(trx, year)
  const problems = [
    ...yearProblems(year, year.terms),
    ...(same ? await whyItStays(trx, same) : []),
    ...overlapping.map((other) => `The year ${year.name} would run beside ${other}, which is here.`),
    ...strangers(rows, known),
  ]
  const people = `${count(rows.people, 'colleague', 'colleagues')}${here(known.people)}`
  const students = `${count(rows.students, 'student', 'students')}${here(known.students)}`
  return {
    from: setup.school.name,
    into,
    year: year.name,
    brings: [
      ...[count(rows.classes, 'class', 'classes'), students, people],
      ...[count(rows.work, 'piece of work', 'pieces of work'), count(rows.results, 'result', 'results')],
      ...[count(rows.marks, 'settled mark', 'settled marks')],
      count([...rows.levels, ...rows.habitScores], 'settled level', 'settled levels'),
      ...[count(rows.comments, 'comment', 'comments'), count(rows.notes, 'note', 'notes')],
    ],
    ...told(problems),
  }
}

/** Only a year in which nobody has done anything yet gives way. */
async function whyItStays(
  trx: Knex.Transaction,
  year: { id: string; name: string; classes: number },
): Promise<string[]> {
  const recorded = await recordedIn(trx, year.id)
  if (year.classes === 0 && recorded.length === 0) return []
  const holds = [...(year.classes > 0 ? [count({ length: year.classes }, 'class', 'classes')] : []), ...recorded]
  return [`${year.name} is here already, with ${holds.join(', ')}. Nothing is put on top of it.`]
}

/** A number or a sign-in name that is somebody else's here. */
function strangers(rows: FolderRows, known: Awaited<ReturnType<typeof loadKnown>>): string[] {
  const people = new Map(known.people.map((person) => [person.signIn, person]))
  const students = new Map(known.students.map((student) => [student.number, student]))
  return [
    ...rows.people.flatMap(({ signIn, given, family }) => {
      const here = people.get(signInKey(signIn))
      const agrees = !here || same([here.given, here.family], [given, family])
      return agrees ? [] : [twoPeople(signIn, `${here.given} ${here.family}`, `${given} ${family}`)]
    }),
    ...rows.students.flatMap(({ number, given, used, family }) => {
      const here = students.get(number)
      const agrees =
        !here || same([here.given, here.family], [given, family]) || same([here.used, here.family], [used, family])
      return agrees ? [] : [twoPeople(number, `${here.used} ${here.family}`, `${used} ${family}`)]
    }),
  ]
}

function twoPeople(key: string, here: string, there: string): string {
  return `${key} is ${here.trim()} here, and ${there.trim()} in the folder.`
}

function same(a: readonly string[], b: readonly string[]): boolean {
  return nameKey(a.join(' ')) === nameKey(b.join(' '))
}

function count({ length }: { length: number }, one: string, many: string): string {
  return `${length.toLocaleString('en')} ${length === 1 ? one : many}`
}

function here({ length }: { length: number }): string {
  return length === 0 ? '' : `, ${length.toLocaleString('en')} of them here already`
}

const mostTold = 20

function told(problems: readonly string[]): Pick<FolderLook, 'problems' | 'moreProblems'> {
  return { problems: problems.slice(0, mostTold), moreProblems: Math.max(0, problems.length - mostTold) }
}

/** Of a folder that cannot be read. */
function emptyLook(files: Folder): Pick<FolderLook, 'from' | 'into' | 'year' | 'brings'> {
  return { from: '', into: '', year: '', brings: [`${files.size} files`] }
}
