import { createHash, randomUUID } from 'node:crypto'
import type { FileAnswer, PlanAnswer } from '../../contracts/answers'
import { decodeText } from '../../core/exchange/decodeText'
import type { GradebookMapping } from '../../core/exchange/gradebookMapping'
import { guessGradebook } from '../../core/exchange/guessGradebook'
import { countPlan, planImport, type ImportPlan } from '../../core/exchange/planImport'
import { UnreadableFile } from '../../core/exchange/problem'
import { readGradebook } from '../../core/exchange/readGradebook'
import { readTable, type Table } from '../../core/exchange/readTable'
import { nameKey } from '../../core/people/names'
import type { ClassRecord } from '../../core/record/classRecord'
import { allow, mayChangeSubject } from '../access/access'
import { Refusal } from '../access/refusal'
import { recordChanges, type Change } from '../data/changes'
import { classTeaching } from '../data/people'
import type { Context, Place } from './context'
import { changeableRecord } from './settle'

/** How many rows of a file are shown while its columns are mapped. */
const sampleRows = 12

interface FileRow {
  id: string
  person_id: string
  class_id: string
  term_id: string
  subject: string
  name: string
  bytes: Buffer
}

/** Takes a file in, unchanged, and guesses how it is laid out. Nothing of the class changes yet. */
export async function bringFile(
  context: Context,
  place: Place,
  subject: string,
  name: string,
  bytes: Uint8Array,
): Promise<FileAnswer> {
  const record = await gatherable(context, place, subject)
  const table = tableOf(bytes)
  const guess = guessGradebook(table, categoryNames(record, subject))
  const remembered = await context
    .db('remembered_mapping')
    .where({ class_id: place.classId, subject, headings: headingsOf(table, guess.headingRow) })
    .first<{ mapping: GradebookMapping } | undefined>()
  const [file] = await context
    .db('gradebook_file')
    .insert({
      person_id: context.who.personId,
      class_id: place.classId,
      term_id: place.termId,
      subject,
      name: name.slice(0, 200),
      bytes: Buffer.from(bytes),
    })
    .returning<{ id: string }[]>('id')
  if (!file) throw new Refusal('invalid', 'The file could not be kept.')
  return {
    id: file.id,
    name,
    rows: table.rows.length,
    remembered: remembered !== undefined,
    mapping: remembered ? { ...guess, ...remembered.mapping, describingRows: guess.describingRows } : guess,
    sample: table.rows.slice(0, sampleRows),
  }
}

/** What taking the file in would change, decided before anything is done. */
export async function planFile(context: Context, fileId: string, mapping: GradebookMapping): Promise<PlanAnswer> {
  const { record, table, file } = await openFile(context, fileId)
  const plan = planFor(record, file.subject, table, mapping)
  return { plan, fingerprint: fingerprintOf(plan) }
}

/** Takes the file in, whole, if it would still do what the teacher saw; one event, so that it can be undone. */
export async function applyFile(
  context: Context,
  fileId: string,
  mapping: GradebookMapping,
  fingerprint: string,
): Promise<{ event: number | null; summary: string }> {
  const { record, table, file } = await openFile(context, fileId)
  const plan = planFor(record, file.subject, table, mapping)
  if (fingerprintOf(plan) !== fingerprint) {
    throw new Refusal(
      'conflict',
      'The class has changed since this summary was made. Look at the new one, then take the file in. Nothing was changed.',
    )
  }
  const counts = countPlan(plan)
  const event = await context.db.transaction(async (trx) => {
    const deed = {
      personId: context.who.personId,
      classId: file.class_id,
      termId: file.term_id,
      kind: `took in ${file.name}`,
    }
    const id = await recordChanges(trx, deed, changesOf(plan, record, file))
    await trx('gradebook_file').where({ id: fileId }).update({ event_id: id })
    const { people: _people, describingRows: _rows, ...remember } = mapping
    await trx('remembered_mapping')
      .insert({
        class_id: file.class_id,
        subject: file.subject,
        headings: headingsOf(table, mapping.headingRow),
        mapping: JSON.stringify(remember),
      })
      .onConflict(['class_id', 'subject', 'headings'])
      .merge()
    return id
  })
  return {
    event,
    summary: `${counts.new} new, ${counts.changed} changed, ${counts.unchanged} unchanged, ${counts.refused} refused`,
  }
}

async function gatherable(context: Context, place: Place, subject: string): Promise<ClassRecord> {
  const record = await changeableRecord(context, place)
  allow(
    mayChangeSubject(context.who, await classTeaching(context.db, place.classId), subject),
    `bring results into ${subject}`,
  )
  return record
}

async function openFile(
  context: Context,
  fileId: string,
): Promise<{ record: ClassRecord; table: Table; file: FileRow }> {
  const file = await context.db<FileRow>('gradebook_file').where({ id: fileId }).first()
  if (file?.person_id !== context.who.personId)
    throw new Refusal('not found', 'This file is no longer here. Choose it again.')
  const record = await gatherable(context, { classId: file.class_id, termId: file.term_id }, file.subject)
  return { record, table: tableOf(file.bytes), file }
}

function tableOf(bytes: Uint8Array): Table {
  try {
    return readTable(decodeText(bytes))
  } catch (error) {
    if (error instanceof UnreadableFile) throw new Refusal('invalid', error.message)
    throw error
  }
}

function planFor(record: ClassRecord, subject: string, table: Table, mapping: GradebookMapping): ImportPlan {
  const work = record.work.filter((piece) => piece.subject === subject)
  const ids = new Set(work.map((piece) => piece.id))
  return planImport(readGradebook(table, mapping), mapping, {
    students: record.students,
    work,
    results: record.results.filter((result) => ids.has(result.workId)),
    categories: categoryNames(record, subject),
  })
}

/** New work gets an id here; everything else is a row as the plan has it. */
function changesOf(plan: ImportPlan, record: ClassRecord, file: FileRow): Change[] {
  const here = { class_id: file.class_id, subject: file.subject }
  const categories = new Map(
    record.categories
      .filter((category) => category.subject === file.subject)
      .map((category) => [nameKey(category.name), category]),
  )
  // A new category weighs as much as the usual one, and the teacher is told.
  const weights = [...categories.values()].map((category) => category.weight)
  const usual = weights.length === 0 ? 1 : weights.reduce((sum, weight) => sum + weight, 0) / weights.length
  const newCategories = plan.newCategories.map((name): Change => ({
    table: 'category',
    key: { ...here, key: name },
    after: { name, weight: usual },
  }))
  const ids = new Map(plan.work.map(({ work, existingId }) => [nameKey(work.title), existingId ?? randomUUID()]))
  const idOf = (title: string): string => ids.get(nameKey(title)) ?? ''
  const works = plan.work
    .filter(({ change }) => change !== 'unchanged')
    .map(({ work }): Change => ({
      table: 'work',
      key: { id: idOf(work.title) },
      after: {
        ...here,
        term_id: file.term_id,
        title: work.title,
        category: categories.get(nameKey(work.category))?.key ?? work.category,
        done_on: work.date,
        out_of: work.outOf,
        weight: work.weight,
        counts: true,
      },
    }))
  const results = plan.results
    .filter(({ change }) => change !== 'unchanged')
    .map((result): Change => ({
      table: 'result',
      key: { work_id: idOf(result.title), student_id: result.studentId },
      after: { state: result.state, score: result.score, remark: result.remark },
    }))
  return [...newCategories, ...works, ...results]
}

function categoryNames(record: ClassRecord, subject: string): string[] {
  return record.categories.filter((category) => category.subject === subject).map((category) => category.name)
}

function headingsOf(table: Table, headingRow: number): string {
  const headings = table.rows.find((row) => row.number === headingRow)?.cells ?? []
  return createHash('sha256').update(headings.join('\u0000')).digest('hex')
}

function fingerprintOf(plan: ImportPlan): string {
  return createHash('sha256').update(JSON.stringify(plan)).digest('hex')
}
