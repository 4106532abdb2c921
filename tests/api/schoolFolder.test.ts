import { parse } from 'csv-parse/sync'
import fc from 'fast-check'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoDay } from '../../demo/demoDay'
import { loadDemo } from '../../demo/loadDemo'
import { classOfSchoolFolder } from '../../core/exchange/folder/classOfSchoolFolder'
import { recordFileOf, recordKinds } from '../../core/exchange/folder/recordFiles'
import { readSchoolFolder } from '../../core/exchange/folder/schoolFolder'
import { draftClass } from '../../core/narrative/draftClass'
import type { ClassRecord } from '../../core/record/classRecord'
import { draftRequest } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import type { FolderLook } from '../../contracts/schoolFolder'
import type { Who } from '../../server/access/grants'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { migrate } from '../../server/data/migrate'
import { setLockAside } from '../../server/data/lockSetAside'
import { loadYears } from '../../server/data/schoolSetup'
import { addPerson } from '../../server/data/setUpSchool'
import { takeFolder, writeWholeFolder } from '../../server/services/schoolFolder'
import { removeYear } from '../../server/services/years'
import { filesOf } from '../exampleYear'
import { randomYear } from '../randomYear'
import { signedInAs } from './client'
import { juniper, see } from './school'

// A school's year goes out as a folder and into another database, and out of that again. RFC 4180 by csv-parse (npm),
// zip by fflate (npm).
const name = (which: string): string => `facunda_folder_${which}_${process.pid}`
let admin: Knex
let old: Knex
let fresh: Knex
let out: Record<string, string>

const openFresh = async (which: string): Promise<Knex> => {
  await admin.raw('create database ??', [name(which)])
  const db = openDatabase(Object.assign(new URL(databaseUrl()), { pathname: `/${name(which)}` }).href)
  await migrate(db)
  return db
}
const coordinator = async (db: Knex): Promise<Who> => {
  const person = await db('person').where({ role: 'coordinator' }).first()
  return { personId: person?.id ?? '', role: 'coordinator', grades: null, teaching: [] }
}
const contextOf = async (db: Knex) => ({ db, who: await coordinator(db), today: demoDay, years: await loadYears(db) })
const takeOut = async (db: Knex, yearName?: string): Promise<Record<string, string>> => {
  const context = await contextOf(db)
  const year = context.years.find((each) => each.name === yearName) ?? context.years.at(-1)
  const { zip } = await writeWholeFolder(context, year?.id ?? '')
  const bytes = new Uint8Array(await new Response(zip).arrayBuffer())
  return Object.fromEntries(Object.entries(unzipSync(bytes)).map(([file, content]) => [file, strFromU8(content)]))
}
const bytesOf = (files: Record<string, string>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(files).map(([file, text]) => [file, strToU8(text)])), { level: 0 })
const takeIn = async (db: Knex, files: Record<string, string>, take = true): Promise<FolderLook> =>
  takeFolder(await contextOf(db), { bytes: bytesOf(files), take })
const rowsOf = (text = ''): Record<string, string>[] => parse(text, { columns: true })
/** A folder's files without what is new in each database: the numbers of pieces of work and notes, by what they say. */
const comparable = (files: Record<string, string>) => {
  const title = new Map(
    rowsOf(files['work.csv']).map((row) => [row.work, `${row.class} ${row.term} ${row.subject} ${row.title}`]),
  )
  return Object.fromEntries(
    Object.entries(files).map(([file, text]) => {
      if (!file.endsWith('.csv')) return [file, text]
      const rows = rowsOf(text).map((row) => ({
        ...row,
        ...('work' in row && { work: title.get(row.work) }),
        ...('note' in row && { note: '' }),
      }))
      return [file, rows.map((row) => JSON.stringify(row)).sort()]
    }),
  )
}

beforeAll(async () => {
  admin = openDatabase(databaseUrl())
  old = await openFresh('old')
  await old.transaction((trx) => loadDemo(trx))
  await old.transaction(async (trx) => {
    await setLockAside(trx)
    await makeUneasy(trx)
  })
  fresh = await openFresh('fresh')
  await addPerson(fresh, {
    sign_in: 'first',
    password_hash: 'x',
    given_name: 'Ada',
    family_name: 'Moss',
    role: 'coordinator',
  })
  out = await takeOut(old)
})
afterAll(async () => {
  for (const [which, db] of [
    ['old', old],
    ['fresh', fresh],
  ] as const) {
    await db.destroy()
    await admin.raw('drop database ?? with (force)', [name(which)])
  }
  await admin.destroy()
})

/** What files lose easily: blanks, quotes, formulas, other scripts, what is retired, renamed, left and undecided. */
async function makeUneasy(db: Knex): Promise<void> {
  const comment = await db('comment').where('text', '<>', '').first()
  await db('comment')
    .where({ student_id: comment?.student_id ?? '', box: comment?.box ?? '', term_id: comment?.term_id ?? '' })
    .update({ text: ' "Quoted", she said.\r\n=1+1\tעברית \n' })
  const enrolment = await db('enrolment').orderBy('student_id').first()
  await db('enrolment')
    .where({ student_id: enrolment?.student_id ?? '' })
    .update({ to_day: '2027-01-09' })
  const other = await db('enrolment').orderBy('student_id', 'desc').first()
  await db('skill').where({ id: 'M1' }).update({ retired: true })
  await db('subject')
    .where({ key: 'mathematics' })
    .update({ strand_names: JSON.stringify({ Number: '=Numbers' }) })
  const contact = {
    student_id: enrolment?.student_id ?? '',
    name: 'Zoë O’Rourke, née "Li"',
    relation: '',
    household: 2,
    email: 'zoe@example.org',
    language: 'pt-BR',
    told: true,
  }
  await db('contact').insert([
    { ...contact, id: '11111111-1111-4111-8111-111111111111', position: 0 },
    { ...contact, id: '11111111-1111-4111-8111-111111111112', name: 'Kit', position: 1 },
    { ...contact, id: '11111111-1111-4111-8111-111111111113', student_id: other?.student_id ?? '', position: 0 },
  ])
}

describe('a school folder', () => {
  it('holds every file, in which each row has as many cells, and no password', () => {
    for (const [file, text] of Object.entries(out)) {
      expect(text).not.toMatch(/scrypt|argon/)
      if (file.endsWith('.csv')) expect(() => rowsOf(text), file).not.toThrow()
    }
    expect(rowsOf(out['comments.csv']).length).toBeGreaterThan(50)
    expect(rowsOf(out['results.csv']).length).toBeGreaterThan(400)
  })

  it('is looked at first, which changes nothing', async () => {
    const look = await takeIn(fresh, out, false)
    expect([look.from, look.problems]).toEqual(['Larkhollow School', []])
    expect(look.brings[0]).toMatch(/^\d+ classes$/)
    expect(await fresh('school_year').first()).toBeUndefined()
    expect(await fresh('student').first()).toBeUndefined()
  })

  it('comes in without loss: what goes out again is the same', async () => {
    expect((await takeIn(fresh, out)).problems).toEqual([])
    const again = await takeOut(fresh)
    expect(rowsOf(again['people.csv']).map((row) => row['signs in as'])).toContain('first')
    const without = (files: Record<string, string>) => ({ ...files, 'people.csv': '' })
    expect(comparable(without(again))).toEqual(comparable(without(out)))
    expect(await fresh('contact').max('position as most').first()).toEqual({ most: 1 })
    const theirs = await fresh('comment').max('version as most').first()
    const { rows } = await fresh.raw<{ rows: { last: number }[] }>('select last_value as last from comment_version')
    expect(Number(rows[0]?.last)).toBeGreaterThanOrEqual(Number(theirs?.most))
  })

  it.each(fc.sample(randomYear, { numRuns: 3, seed: 33 }).map((school, nth) => [nth, school] as const))(
    'of any school comes in without loss (%i)',
    async (nth, { rows, year }) => {
      const db = await openFresh(`random${nth}`)
      try {
        await addPerson(db, {
          ...{
            sign_in: 'somebody first',
            password_hash: 'x',
            given_name: 'Ada',
            family_name: 'Moss',
            role: 'coordinator',
          },
        })
        const files = Object.fromEntries(filesOf(rows, year))
        expect((await takeIn(db, files)).problems).toEqual([])
        const again = await takeOut(db)
        const recorded = (of: Record<string, string>) =>
          comparable(
            Object.fromEntries(recordKinds.map((kind) => [recordFileOf(kind).name, of[recordFileOf(kind).name] ?? ''])),
          )
        const withoutFirst = (again['people.csv'] ?? '').replace(/^somebody first,.*\r\n/m, '')
        expect(recorded({ ...again, 'people.csv': withoutFirst })).toEqual(recorded(files))
      } finally {
        await db.destroy()
        await admin.raw('drop database ?? with (force)', [name(`random${nth}`)])
      }
    },
  )

  it('is not put on top of a year that is here', async () => {
    const { problems } = await takeIn(fresh, out)
    expect(problems).toEqual([expect.stringMatching(/is here already, with \d+ classes.*Nothing is put on top of it/)])
  })

  it('of another year whose numbers and names are somebody else’s here names each, and takes nothing in', async () => {
    const files = {
      ...out,
      'year.json': (out['year.json'] ?? '').replaceAll('2027', '2031').replaceAll('2026', '2030'),
      'students.csv': (out['students.csv'] ?? '').replace(/^(05101),[^,]+,[^,]+,/m, '$1,Otto,Otto,'),
      'people.csv': (out['people.csv'] ?? '').replace(/^ines,[^,]+/m, 'ines,Inge'),
    }
    const { problems, brings } = await takeIn(fresh, files)
    expect(problems).toEqual([
      expect.stringMatching(/^ines is Ines .+ here, and Inge .+ in the folder\.$/),
      expect.stringMatching(/^05101 is .+ here, and Otto .+ in the folder\.$/),
    ])
    expect(brings[1]).toMatch(/students, \d+ of them here already/)
    expect((await loadYears(fresh)).length).toBe(1)
  })

  it.each<[string, (files: Record<string, string>) => Record<string, string>, RegExp]>([
    ['a part missing', ({ 'levels.csv': _gone, ...rest }) => rest, /levels\.csv: The file is missing/],
    [
      'a child who is in no list',
      (files) => ({ ...files, 'students.csv': (files['students.csv'] ?? '').replace(/^05101,.*\r\n/m, '') }),
      /row \d+, column number: “05101” is none of the numbers in students\.csv/,
    ],
    [
      'two children of one number',
      (files) => ({ ...files, 'students.csv': (files['students.csv'] ?? '').replace(/^05101,.*\r\n/m, '$&$&') }),
      /students\.csv, row \d+, column number: “05101” stands in row \d+ already/,
    ],
    [
      'a day that is none',
      (files) => ({ ...files, 'enrolments.csv': (files['enrolments.csv'] ?? '').replace('2027-01-09', 'in January') }),
      /enrolments\.csv, row \d+, column to: Write a day/,
    ],
    [
      'a mark and something in its place',
      (files) => ({
        ...files,
        'marks.csv': (files['marks.csv'] ?? '').replace(/^([^,]+,05101,[^,]+,\d[^,]*),,/m, '$1,absent,'),
      }),
      /marks\.csv, row \d+, column mark: There is a mark or something in its place/,
    ],
    [
      'a level that is on no scale',
      (files) => ({ ...files, 'levels.csv': (files['levels.csv'] ?? '').replace(/,[1-4],\r\n/, ',17,\r\n') }),
      /levels\.csv, row 2, column level: “17” is on no scale/,
    ],
    [
      'two who sign in as one',
      (files) => ({
        ...files,
        'people.csv': (files['people.csv'] ?? '').replace(/^ines,.*\r\n/m, '$&INES,Ida,Ek,teacher,,,\r\n'),
      }),
      /people\.csv, row \d+, column signs in as: Somebody before signs in as “INES” too/,
    ],
    [
      'a note of no day',
      (files) => ({ ...files, 'notes.csv': (files['notes.csv'] ?? '').replace(/\d{4}-\d\d-\d\d/, 'soon') }),
      /notes\.csv, row 2, column day: Write a day/,
    ],
    ['another kind of year', (files) => ({ ...files, 'year.json': '{"format":"x"}' }), /year\.json/],
  ])('with %s is told by row, and nothing comes in', async (_, change, reason) => {
    const before = await fresh('student').count()
    const { problems } = await takeIn(fresh, change(out))
    expect(problems.join('\n')).toMatch(reason)
    expect(await fresh('student').count()).toEqual(before)
  })

  it('is no zip, or a set-up alone: a reason', async () => {
    const order = { bytes: strToU8('hello'), take: true }
    await expect(takeFolder(await contextOf(fresh), order)).rejects.toThrow('This is no zip')
    const { 'year.json': _year, ...setup } = out
    await expect(takeIn(fresh, setup)).rejects.toThrow('holds a set-up alone')
  })

  it('is taken away again while nobody has done anything in it, with the children who came with it', async () => {
    const [year] = await loadYears(fresh)
    await fresh('school_year').insert({ name: 'Before', starts: '2020-01-01', ends: '2020-12-31' })
    const before = await fresh('school_year').where({ name: 'Before' }).first()
    await fresh('setup_version').insert({ year_id: before?.id ?? '' })
    await removeYear(await contextOf(fresh), year?.id ?? '')
    expect(await fresh('student').first()).toBeUndefined()
    expect(await fresh('comment').first()).toBeUndefined()
    expect((await takeIn(fresh, out)).problems).toEqual([])
    const term = await fresh('term').first()
    const person = await fresh('person').first()
    await fresh('event').insert({
      person_id: person?.id ?? '',
      term_id: term?.id ?? null,
      class_id: null,
      kind: 'wrote',
      needs: [],
      changes: '[]',
      undoes: null,
    })
    const [, again] = await loadYears(fresh)
    await expect(removeYear(await contextOf(fresh), again?.id ?? '')).rejects.toThrow('A year with a record')
  })
})

it('goes out and is looked at over the wire by the coordinator, and by nobody else', async () => {
  const [philippa, ines] = [await signedInAs('philippa'), await signedInAs('ines')]
  const { body } = await philippa<{ years: { id: string }[] }>('GET', '/api/years')
  const path = `/api/years/${body.years.at(-1)?.id}/folder`
  const taken = await philippa<Uint8Array>('GET', path)
  expect([taken.status, taken.headers.get('content-type')]).toEqual([200, 'application/zip'])
  const look = await philippa<FolderLook>('POST', '/api/years/folder', taken.body)
  expect([look.status, look.body.problems.length]).toEqual([200, 1])
  // A class of the folder is drafted as the application drafts it.
  const place = await juniper(ines)
  const { record } = await see(ines, place.path)
  const files = new Map(Object.entries(unzipSync(taken.body)))
  const { folder } = readSchoolFolder(files)
  const read = folder && classOfSchoolFolder(folder, { room: record.classRoom.name, term: record.term.name })
  const drafts = (from: ClassRecord) =>
    from.boxes.map((box) =>
      draftClass(from.students, (student) => draftRequest(indexRecord(from), student, box), from.phrasebook).map(
        ({ text }) => text,
      ),
    )
  expect(read && drafts(read)).toEqual(drafts(record))
  expect((await ines('GET', path)).status).toBe(403)
  expect((await ines('POST', '/api/years/folder?take=yes', taken.body)).status).toBe(403)
  const bad = await philippa<{ message: string }>('POST', '/api/years/folder', strToU8('hello'))
  expect([bad.status, bad.body.message]).toEqual([422, expect.stringMatching(/This is no zip/)])
})
