import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { checkComment } from '../../core/checks/checkComment'
import type { ClassRecord } from '../../core/record/classRecord'
import { writeComments } from '../../core/record/draftBox'
import { proposedLevels } from '../../core/record/levelEvidence'
import { draftRequest } from '../../core/record/narrativeFacts'
import { markStory } from '../../core/record/markStory'
import { indexRecord } from '../../core/record/recordIndex'
import { proposedPercent, yearSoFar } from '../../core/record/yearSoFar'
import type { StudentComment } from '../../core/record/termRecord'
import { composeReport } from '../../core/reports/composeReport'
import { familyFacts } from '../../core/reports/familyFacts'
import { demoDay } from '../../demo/demoDay'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { setLockAside } from '../../server/data/lockSetAside'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

// Everything that can be called otherwise is called otherwise, all at once, and every number and text of the class is
// worked out again: only the names may differ. What is known by a key holds; what hung on a name would not.

/** Columns with what something is called; what a thing is known by, or what somebody wrote, is not among them. */
const names: Readonly<Record<string, readonly string[]>> = {
  category: ['name'],
  class_room: ['name'],
  comment_box: ['name'],
  contact: ['name'],
  gradebook_file: ['name'],
  habit: ['name'],
  report_file: ['name'],
  school_year: ['name'],
  subject: ['name'],
  work: ['title'],
}
/** Columns that are called like a name and are none: what something is told apart by, or what somebody wrote. */
const noNames = ['practice.name', 'report_run.title', 'student.school_number']
/** People are named in what was written of them, which is found to be about somebody else when they are renamed. */
const people = ['person.given_name', 'person.family_name', 'student.used_name', 'student.legal_given', 'student.family']
/** Terms exchange their names, see below. */
const terms = ['term.name']

/** Another name of the same length and sound: done twice, it is the name again. */
const otherwise = (name: string): string =>
  name.replace(/[nl]/gi, (sign) => ({ n: 'l', l: 'n', N: 'L', L: 'N' })[sign] ?? sign)
/** What is left where names are not told apart. */
const besidesNames = (value: unknown): unknown =>
  JSON.parse(JSON.stringify(value), (_key, each: unknown) =>
    typeof each === 'string'
      ? each
          .replace(/l/g, 'n')
          .replace(/L/g, 'N')
          .replace(/autumn|winter/gi, 'season')
      : each,
  )

let db: Knex
let philippa: Client
let place: DemoPlace

beforeAll(async () => {
  db = openDatabase(databaseUrl())
  philippa = await signedInAs('philippa')
  place = await juniper(philippa)
})
afterAll(() => db.destroy())

async function renameAll(trx: Knex.Transaction): Promise<void> {
  await setLockAside(trx)
  for (const [table, columns] of Object.entries(names))
    for (const column of columns)
      await trx.raw(`update ?? set ?? = translate(??, 'nlNL', 'lnLN')`, [table, column, column])
  for (const { year_id, settings } of await trx('school').select('year_id', 'settings'))
    await trx('school')
      .where({ year_id })
      .update({
        settings: JSON.stringify({ ...settings, name: otherwise(settings.name), place: otherwise(settings.place) }),
      })
  for (const { year_id, key, definition } of await trx('scale').select()) {
    const levels = definition.levels.map((level) => ({ ...level, name: otherwise(level.name) }))
    const called = { ...definition, name: otherwise(definition.name), levels }
    await trx('scale')
      .where({ year_id, key })
      .update({ definition: JSON.stringify(called) })
  }
  // Seasons are words that a comment understands: the two terms of the demo exchange theirs.
  await trx.raw(`update term set name = '~' || name`)
  await trx.raw(`update term set name = translate(
    replace(replace(replace(name, 'Autumn', '1'), 'Winter', 'Autumn'), '1', 'Winter'), '~', '')`)
  await trx.raw(`update setup_version set version = gen_random_uuid()`)
}

/** Strands are known by what they were called first: another name is beside it. */
async function renameStrands(trx: Knex.Transaction): Promise<void> {
  const strands = await trx('skill').distinct('year_id', 'subject', 'strand')
  for (const { year_id, key } of await trx('subject').select('year_id', 'key')) {
    const own = strands.filter((each) => each.year_id === year_id && each.subject === key)
    const called = Object.fromEntries(own.map(({ strand }) => [strand, otherwise(strand)]))
    await trx('subject')
      .where({ year_id, key })
      .update({ strand_names: JSON.stringify(called) })
  }
}

/** Where the sentences begin that call a piece of work by its title: they are out of step, and rightly. */
const quotedIn = (comment: StudentComment | undefined): ReadonlySet<number> =>
  new Set(
    (comment?.sentences ?? []).flatMap(({ start, because }) =>
      because.some(({ kind }) => kind === 'result') ? [start] : [],
    ),
  )

/** All that is worked out for a class, with the comments as they stand. */
function workedOut(record: ClassRecord, comments: ClassRecord['comments']) {
  const index = indexRecord({ ...record, comments })
  const skills = record.skills.map(({ id }) => id)
  const habits = record.habits.map(({ key }) => key)
  return {
    levels: [...proposedLevels(index, 'skill', skills), ...proposedLevels(index, 'habit', habits)],
    students: record.students.map((student) => ({
      marks: record.subjects.map(({ key }) => [
        proposedPercent(index, student.id, key),
        yearSoFar(index, student.id, key),
        markStory(index, student.id, key),
      ]),
      told: record.boxes.map((box) => draftRequest(index, student, box).facts),
      findings: record.boxes.map((box) => {
        const quoting = quotedIn(index.commentOf(student.id, box.key))
        // What a mend would write instead is worded anew.
        return checkComment(index, student, box).flatMap(({ mends: _mends, ...finding }) =>
          finding.check === 'out of step' && quoting.has(finding.start) ? [] : [finding],
        )
      }),
      report: composeReport(familyFacts(index, student), record.layout, demoDay),
    })),
  }
}

it('knows every column that holds what something is called', async () => {
  const { rows } = await db.raw<{ rows: { column: string }[] }>(
    `select table_name || '.' || column_name as column from information_schema.columns
     where table_schema = 'public' and data_type = 'text'
       and column_name ~ '(^|_)(name|title|given|family|number)$' and column_name !~ '^check_' and table_name !~ '^knex' order by 1`,
  )
  const listed = Object.entries(names).flatMap(([table, columns]) => columns.map((column) => `${table}.${column}`))
  expect(rows.map(({ column }) => column)).toEqual([...listed, ...noNames, ...people, ...terms].sort())
})

it('finds every number and text again when everything is called otherwise', async () => {
  const { record } = place.answer
  const yearId = record.term.yearId
  const [quiz] = record.categories
  const [before] = record.earlier
  if (!quiz || !before) throw new Error('The demo has no category or no term before.')
  const settings = (await db('school').where({ year_id: yearId }).first('settings'))?.settings
  if (!settings) throw new Error('no school')
  const strandNames = await db('subject').where({ year_id: yearId }).select('key', 'strand_names')
  const rules = {
    ...settings.markRules,
    exam: { weighs: 70 },
    termWeights: { [before.term.id]: 3, [record.term.id]: 0.5 },
  }
  const exam = { class_id: record.classRoom.id, subject: quiz.subject, key: quiz.key }
  await db('school')
    .where({ year_id: yearId })
    .update({ settings: JSON.stringify({ ...settings, markRules: rules }) })
  await db('category').where(exam).update({ is_exam: true })
  await db('setup_version').where({ year_id: yearId }).update({ version: randomUUID() })
  try {
    const first = (await see(philippa, place.path)).record
    const comments = writeComments(first)
    const was = workedOut(first, comments)
    // The test would say nothing if there were nothing to weigh.
    expect(was.students.flatMap(({ marks }) => marks).some(([, year]) => (year as unknown[]).length > 1)).toBe(true)
    await db.transaction(async (trx) => {
      await renameAll(trx)
      await renameStrands(trx)
    })
    try {
      const second = (await see(philippa, place.path)).record
      expect(second.term.name).toBe(before.term.name)
      expect(besidesNames(workedOut(second, comments))).toEqual(besidesNames(was))
    } finally {
      await db.transaction(renameAll)
    }
  } finally {
    await db('school')
      .where({ year_id: yearId })
      .update({ settings: JSON.stringify(settings) })
    await db('category').where(exam).update({ is_exam: false })
    for (const { key, strand_names } of strandNames)
      await db('subject')
        .where({ year_id: yearId, key })
        .update({ strand_names: JSON.stringify(strand_names ?? {}) })
    await db('setup_version').where({ year_id: yearId }).update({ version: randomUUID() })
  }
})
