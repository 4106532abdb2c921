import { createHash, randomUUID } from 'node:crypto'
import type { FileAnswer, PlanAnswer, SheetAnswer } from '../../contracts/answers'
import { correctMapping, type Correction } from '../../core/exchange/gradebook/correctMapping'
import type { GradebookMapping } from '../../core/exchange/gradebook/gradebookMapping'
import { guessGradebook } from '../../core/exchange/gradebook/guessGradebook'
import { likeliestSheet } from '../../core/exchange/gradebook/likeliestSheet'
import { countPlan, planImport, type ImportPlan, type PlannedWork } from '../../core/exchange/gradebook/planImport'
import { UnreadableFile } from '../../core/exchange/files/problem'
import { readSheets } from '../../core/exchange/files/readSheets'
import type { NamedTable, Table } from '../../core/exchange/files/readTable'
import { turnedTable } from '../../core/exchange/files/turnedTable'
import { usualWeight } from '../../core/marks/usualWeight'
import { nameKey } from '../../core/people/names'
import type { ClassRecord } from '../../core/record/classRecord'
import type { SubjectWork } from '../../core/record/termRecord'
import { allow, needFor } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { recordChanges } from '../data/changes/recordChanges'
import { fileCameIn, keepFile, loadFile, rememberedMapping, rememberMapping } from '../data/gradebookFiles'
import type { FileRow } from '../data/tables'
import { inTransaction } from '../data/transactions'
import { openPlace, type Context, type Place } from './context'
import { readableRecord } from './viewClass'

/** How many rows of a file are shown while its columns are mapped: of its head, and of its foot. */
const shown = { first: 12, last: 3 }
/** So many sheets of a workbook are looked at. */
const mostSheets = 40

/** Takes a file in, unchanged, and guesses how it is laid out. Nothing of the class changes yet. */
export async function bringFile(
  context: Context,
  place: Place,
  subject: string,
  { name, bytes }: { name: string; bytes: Uint8Array },
): Promise<FileAnswer> {
  const record = await gatherable(context, place, subject)
  const tables = readable(bytes)
  const names = categoriesOf(record, subject).map((category) => category.name)
  const sheets: SheetAnswer[] = []
  for (const { sheet, table: written } of tables.slice(0, mostSheets)) {
    const table = turnedTable(written, record.students)
    const guess = { ...guessGradebook(table, names, { children: record.students }), sheet }
    const here = { classId: place.classId, subject, headings: shapeOf(table, names) }
    const remembered = await rememberedMapping(context.db, here)
    sheets.push({
      rows: table.rows.length,
      turned: table !== written,
      remembered: remembered !== undefined,
      mapping: remembered ? { ...guess, ...remembered, sheet, people: {} } : guess,
      sample: [...table.rows.slice(0, shown.first), ...table.rows.slice(shown.first).slice(-shown.last)],
    })
  }
  const id = await keepFile(context.db, {
    person_id: context.who.personId,
    class_id: place.classId,
    term_id: place.termId,
    subject,
    name: name.slice(0, 200),
    bytes: Buffer.from(bytes),
  })
  const called = record.subjects.find(({ key }) => key === subject)?.name ?? subject
  const likeliest = sheets[likeliestSheet(tables.slice(0, mostSheets), record.students, called)]
  if (!likeliest) throw new Refusal('invalid', 'The file has nothing in it that can be read.')
  return { id, name, ...likeliest, sheets }
}

/** What taking the file in would change, decided before anything is done. */
export async function planFile(
  context: Context,
  fileId: string,
  mapping: GradebookMapping,
  correction?: Correction,
): Promise<PlanAnswer> {
  const { plan, mapping: asRead } = await planned(context, fileId, mapping, correction)
  return { mapping: asRead, plan, fingerprint: fingerprintOf(plan) }
}

/** Takes the file in, whole, if it would still do what the teacher saw; one event, so that it can be undone. */
export async function applyFile(
  context: Context,
  fileId: string,
  mapping: GradebookMapping,
  fingerprint: string,
): Promise<{ event: number | null; summary: string }> {
  const { plan, record, file, table } = await planned(context, fileId, mapping)
  if (fingerprintOf(plan) !== fingerprint) throw changedMeanwhile()
  const names = categoriesOf(record, file.subject).map((category) => category.name)
  const event = await inTransaction(context.db, async (trx) => {
    const action = {
      personId: context.who.personId,
      classId: file.class_id,
      termId: file.term_id,
      kind: `took in ${file.name}`,
      needs: [needFor(file.subject)],
    }
    const { event: id } = await recordChanges(trx, action, changesOf(plan, record, file))
    await fileCameIn(trx, fileId, id)
    const { people: _people, ...remember } = mapping
    const here = { classId: file.class_id, subject: file.subject, headings: shapeOf(table, names) }
    await rememberMapping(trx, here, remember)
    return id
  }).catch(refuseIfTaken)
  const counts = countPlan(plan)
  const work = counts.workChanged > 0 ? `, ${counts.workChanged} pieces of work changed` : ''
  const { new: fresh, changed, unchanged, refused } = counts
  return { event, summary: `${fresh} new, ${changed} changed, ${unchanged} unchanged, ${refused} refused${work}` }
}

/** A file's tables. @throws Refusal saying why it cannot be read */
function readable(bytes: Uint8Array): NamedTable[] {
  try {
    return readSheets(bytes)
  } catch (error) {
    if (error instanceof UnreadableFile) throw new Refusal('invalid', error.message)
    throw error
  }
}

function changedMeanwhile(): Refusal {
  return new Refusal(
    'conflict',
    'The class has changed since this summary was made. Look at the new one, then take the file in. ' +
      'Nothing was changed.',
  )
}

/** PostgreSQL's unique_violation: somebody brought work of the same title a moment ago. */
function refuseIfTaken(error: unknown): never {
  if (error instanceof Refusal && error.kind === 'conflict') throw changedMeanwhile()
  if (error instanceof Error && 'code' in error && error.code === '23505') throw changedMeanwhile()
  throw error
}

async function gatherable(context: Context, place: Place, subject: string): Promise<ClassRecord> {
  const { grants } = await openPlace(context, place)
  const record = await readableRecord(context, place)
  const known = record.subjects.find((each) => each.key === subject)
  allow(known !== undefined && grants.changes(needFor(subject)), `bring results into ${known?.name ?? 'this subject'}`)
  return record
}

async function planned(
  context: Context,
  fileId: string,
  mapping: GradebookMapping,
  correction?: Correction,
): Promise<{ plan: ImportPlan; mapping: GradebookMapping; record: ClassRecord; file: FileRow; table: Table }> {
  const file = await loadFile(context.db, fileId)
  if (file?.person_id !== context.who.personId) {
    throw new Refusal('not found', 'This file is no longer here. Choose it again.')
  }
  const record = await gatherable(context, { classId: file.class_id, termId: file.term_id }, file.subject)
  const tables = readable(file.bytes)
  const written = tables.find(({ sheet }) => sheet === mapping.sheet)?.table
  if (!written) throw new Refusal('not found', `The file has no sheet “${mapping.sheet}”.`)
  const table = turnedTable(written, record.students)
  const asRead = correction ? correctMapping(table, mapping, correction, record.students) : mapping
  return { plan: planFor(record, file.subject, table, asRead), mapping: asRead, record, file, table }
}

function planFor(record: ClassRecord, subject: string, table: Table, mapping: GradebookMapping): ImportPlan {
  const work = record.work.filter((piece) => piece.subject === subject)
  const ids = new Set(work.map((piece) => piece.id))
  return planImport(table, mapping, {
    students: record.students,
    work,
    results: record.results.filter((result) => ids.has(result.workId)),
    categories: categoriesOf(record, subject),
  })
}

/** New work gets an id here; everything else is a row as the plan has it, with what stood there when it was made. */
function changesOf(plan: ImportPlan, record: ClassRecord, file: FileRow): Change[] {
  const here = { class_id: file.class_id, subject: file.subject }
  // A new category of which the file gives no weight weighs as much as the usual one, and the teacher is told.
  const usual = usualWeight(categoriesOf(record, file.subject))
  const given = new Map(plan.categoryWeights.map(({ name, weight }) => [name, weight]))
  const newCategories = plan.newCategories.map((name): Change => ({
    table: 'category',
    key: { ...here, key: name },
    seen: null,
    after: { name, weight: given.get(name) ?? usual },
  }))
  const weights = plan.categoryWeights.flatMap(({ key, name, weight, before }): Change[] =>
    key === null || before === null
      ? []
      : [{ table: 'category', key: { ...here, key }, seen: { name, weight: before }, after: { name, weight } }],
  )
  const ids = new Map(plan.work.map(({ work, existing }) => [nameKey(work.title), existing?.id ?? randomUUID()]))
  const idOf = (title: string): string => ids.get(nameKey(title)) ?? ''
  const known = new Map(record.work.map((piece) => [piece.id, piece]))
  const standing = new Map(record.results.map((result) => [`${result.workId} ${result.studentId}`, result]))
  const works = plan.work
    .filter(({ change }) => change !== 'unchanged')
    .map((piece) => workChange(piece, idOf(piece.work.title), file, known.get(piece.existing?.id ?? '')))
  const results = plan.results
    .filter(({ change }) => change !== 'unchanged')
    .map((result): Change => {
      const id = idOf(result.title)
      const before = standing.get(`${id} ${result.studentId}`)
      return {
        table: 'result',
        key: { work_id: id, student_id: result.studentId },
        seen: before ? { state: before.state, score: before.score, remark: before.remark } : null,
        after: { state: result.state, score: result.score, remark: result.remark },
      }
    })
  return [...newCategories, ...weights, ...works, ...results]
}

function workChange(piece: PlannedWork, id: string, file: FileRow, existing: SubjectWork | undefined): Change {
  const columns = (work: Omit<SubjectWork, 'id' | 'subject'>): Row => ({
    class_id: file.class_id,
    subject: file.subject,
    term_id: file.term_id,
    title: work.title,
    category: work.category,
    done_on: work.date,
    out_of: work.outOf,
    weight: work.weight,
    counts: work.counts,
  })
  const { work, categoryKey } = piece
  return {
    table: 'work',
    key: { id },
    seen: existing ? columns(existing) : null,
    after: columns({
      ...work,
      title: existing?.title ?? work.title,
      category: categoryKey ?? work.category,
    }),
  }
}

function categoriesOf(record: ClassRecord, subject: string): ClassRecord['categories'] {
  return record.categories.filter((category) => category.subject === subject)
}

/** What tells files of one make: the headings where they are looked for first, whatever a person then corrects. */
function shapeOf(table: Table, categories: readonly string[]): string {
  const { headingRow } = guessGradebook(table, categories)
  const headings = table.rows.find((row) => row.number === headingRow)?.cells ?? []
  return createHash('sha256').update(headings.join('\u0000')).digest('hex')
}

function fingerprintOf(plan: ImportPlan): string {
  return createHash('sha256').update(JSON.stringify(plan)).digest('hex')
}
