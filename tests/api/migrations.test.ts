import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { checkKeys } from '../../core/record/checkKeys'
import { writePlan } from '../../core/narrative/plan'
import { tableNames } from '../../server/data/changes/changeableTables'
import { jsonColumns } from '../../server/data/changes/writtenRows'
import { loadSchoolSetup, loadYears } from '../../server/data/schoolSetup'
import { migrate } from '../../server/data/migrate'
import { up as firstShape } from '../../server/data/migrations/0001_the_school'
import { up as photosAnew } from '../../server/data/migrations/0036_photos_anew'
import { smallestPhoto } from '../smallestPhoto'

// A database of the first landing, on the same server, brought forward: what a school has written must still be there.
const name = `facunda_upgrade_${process.pid}`
const [term, student] = ['00000000-0000-4000-8000-000000000001', '00000000-0000-4000-8000-000000000002']
let admin: Knex
let db: Knex

beforeAll(async () => {
  admin = openDatabase(databaseUrl())
  await admin.raw('create database ??', [name])
  db = openDatabase(Object.assign(new URL(databaseUrl()), { pathname: `/${name}` }).href)
  const source = {
    getMigrations: () => Promise.resolve(['0001_the_school']),
    getMigrationName: (each: string) => each,
    getMigration: () => Promise.resolve({ up: firstShape, down: () => Promise.reject(new Error('no')) }),
  }
  await db.migrate.latest({ migrationSource: source })
  await db<Record<string, unknown>>('school').insert({
    settings: JSON.stringify({ name: 'Old School', possessives: 'apostrophe only' }),
  })
  await db<Record<string, unknown>>('layout').insert({ key: 'l', definition: '{}' })
  await db<Record<string, unknown>>('phrase').insert([
    { id: 'b', subject: 'any', part: 'closing', about: 'any', tiers: [], text: 'Well done.', position: 2 },
    {
      id: 'a',
      subject: 'any',
      part: 'opening',
      about: 'any',
      tiers: ['top', 'strong'],
      text: '{Name} {has} shone.',
      position: 1,
    },
  ])
  await addHabit(db)
  await db<Record<string, unknown>>('describing_word').insert({ tier: 'top', word: 'superb', position: 0 })
})

/** A habit that plans, phrases and a comment of that time know by its name. */
async function addHabit(old: Knex): Promise<void> {
  const put = (table: string, row: Record<string, unknown>) => old<Record<string, unknown>>(table).insert(row)
  await put('scale', { key: 's', definition: '{}' })
  await put('habit', { key: 'trying', name: 'Keeps trying', family_words: 'Tries again', scale: 's', position: 0 })
  const plan = 'opening; habit Keeps trying when high; next step Keeps trying'
  await put('comment_box', { key: 'general', name: 'General', character_limit: 300, plan, position: 0 })
  const phrase = { subject: 'any', part: 'habit', about: 'Keeps trying', tiers: [], text: '{They} {tries} again.' }
  await put('phrase', { ...phrase, id: 'c', position: 3 })
  const year = { name: 'Winter', year: '2026', starts: '2026-09-01', ends: '2026-12-20' }
  await put('term', { id: term, ...year, comments_due: '2026-12-04', locks: '2026-12-18' })
  const names = { legal_given: 'Maya', used_name: 'Maya', family: 'Reed', pronouns: 'she/her', grade_level: '5' }
  await put('student', { id: student, school_number: '1', ...names })
  const fact = { kind: 'habit', about: 'Keeps trying', text: 'Keeps trying: N', tier: 'top', termId: term }
  const sentence = { start: 0, end: 16, phraseIds: ['c'], parts: ['habit Keeps trying'], because: [fact] }
  const text = 'She tries again.'
  const person = {
    id: student,
    sign_in: 'old',
    password_hash: '',
    given_name: 'O',
    family_name: '',
    role: 'coordinator',
  }
  await put('person', person)
  const changes = [{ table: 'phrase', key: { id: 'a' }, before: null, after: { text: '{Name} {has} shone.' } }]
  await put('event', { person_id: student, kind: 'changed 1 phrases', changes: JSON.stringify(changes) })
  await put('class_room', { name: '5 Elm' })
  await put('comment', {
    ...{ student_id: student, box: 'general', term_id: term, text, own_words: false, status: 'in draft', version: 1 },
    sentences: JSON.stringify([sentence]),
  })
}

afterAll(async () => {
  await db.destroy()
  await admin.raw('drop database ??', [name])
  await admin.destroy()
})

const setupNow = async () => {
  const [year, ...more] = await loadYears(db)
  expect([year?.name, more]).toEqual(['2026', []])
  return loadSchoolSetup(db, year ?? { id: '', version: '' })
}

describe('a database of the first landing', () => {
  it('keeps its phrases and words, and gets what has come since with its usual values', async () => {
    await migrate(db)
    const { phrases: all, describing } = (await setupNow()).phrasebook
    const phrases = all.filter((phrase) => phrase.part !== 'habit')
    expect(phrases).toEqual([
      {
        id: 'a',
        subject: 'any',
        part: 'opening',
        about: 'any',
        tiers: ['top', 'strong'],
        uneven: false,
        moves: [],
        text: '{Name} {has} shone.',
        tone: '',
        grades: null,
        claims: null,
        owner: null,
      },
      {
        id: 'b',
        subject: 'any',
        part: 'closing',
        about: 'any',
        tiers: [],
        uneven: false,
        moves: [],
        text: 'Well done.',
        tone: '',
        grades: null,
        claims: null,
        owner: null,
      },
    ])
    expect(describing.top).toEqual(['superb'])
    const settings = (await db<{ settings: Record<string, unknown> }>('school').first())?.settings
    expect(settings).toMatchObject({ name: 'Old School', possessives: 'apostrophe only', checks: { nameWanted: true } })
  })
  it('knows its habits by their key from then on, wherever a name stood', async () => {
    const { boxes, phrasebook } = await setupNow()
    expect(boxes.map((box) => writePlan(box.plan))).toEqual(['opening; habit trying when high; next step trying'])
    expect(phrasebook.phrases.find((phrase) => phrase.id === 'c')?.about).toBe('trying')
    const comment = await db('comment').where({ student_id: student }).first()
    expect(comment?.sentences).toMatchObject([{ parts: ['habit trying'], because: [{ about: 'trying' }] }])
    expect(comment).toMatchObject({ text: 'She tries again.', version: 1 })
  })
  it('belongs to a school year from then on: terms, classes, set-up, and what can be undone', async () => {
    const [year] = await loadYears(db)
    expect(await db('school_year').first()).toMatchObject({ name: '2026', starts: '2026-09-01', ends: '2026-12-20' })
    expect(await db('term').first('year_id')).toEqual({ year_id: year?.id })
    expect(await db('class_room').first('year_id')).toEqual({ year_id: year?.id })
    expect((await db('event').first())?.changes).toMatchObject([{ key: { year_id: year?.id, id: 'a' } }])
  })
  it('is left as it is by a second time, and never goes back', async () => {
    await migrate(db)
    expect(await db('phrase').count('id as n').first()).toEqual({ n: 3 })
    await db('phrase').where({ id: 'b' }).delete()
    await migrate(db)
    expect(await db('phrase').count('id as n').first()).toEqual({ n: 2 })
  })
})

it('makes old photos anew, in what can be undone too, without what stands behind the picture', async () => {
  const old = Buffer.concat([Buffer.from(smallestPhoto, 'base64'), Buffer.from('a page with a place')]).toString(
    'base64',
  )
  const whole = { jpeg: old, fingerprint: 'old' }
  const broken = '00000000-0000-4000-8000-000000000003'
  const [child] = await db('student').where({ id: student })
  if (child) await db('student').insert({ ...child, id: broken, school_number: '2' })
  await db('photo').insert([
    { student_id: student, ...whole },
    { student_id: broken, jpeg: 'AAAA', fingerprint: 'none' },
  ])
  const [person] = await db('person')
    .insert({ sign_in: 'p', given_name: 'P', family_name: '', role: 'teacher' })
    .returning('id')
  const changes = [{ table: 'photo', key: { student_id: student }, before: null, after: whole }]
  const event = { person_id: person?.id ?? '', class_id: null, term_id: null, kind: 'a photo', undoes: null }
  const [kept] = await db('event')
    .insert({ ...event, needs: null, changes: JSON.stringify(changes) })
    .returning('id')
  await photosAnew(db)
  const photos = await db('photo')
  expect(photos.map(({ student_id: id }) => id)).toEqual([student])
  const bytes = Buffer.from(photos[0]?.jpeg ?? '', 'base64')
  expect([bytes.includes('a page'), bytes.subarray(-2).toString('hex')]).toEqual([false, 'ffd9'])
  const { jpeg, fingerprint } = photos[0] ?? {}
  expect((await db('event').where({ id: kept?.id }).first())?.changes).toMatchObject([
    { before: null, after: { jpeg, fingerprint } },
  ])
})

it('knows every check that there is, so that nobody keeps what nobody asks for again', async () => {
  const { rows } = await db.raw<{ rows: { said: string }[] }>(
    `select pg_get_constraintdef(oid) as said from pg_constraint where conname = 'check_is_known'`,
  )
  const known = [...(rows[0]?.said ?? '').matchAll(/'([^']+)'/g)].map(([, key]) => key)
  expect(known.sort()).toEqual([...checkKeys].sort())
})

it('every column of JSON that people change is known to be one', async () => {
  const { rows } = await db.raw<{ rows: { name: string }[] }>(
    `select distinct column_name as name from information_schema.columns
     where data_type = 'jsonb' and table_schema = current_schema() and table_name = any(?)`,
    [tableNames],
  )
  expect(rows.map((row) => row.name).sort()).toEqual([...jsonColumns].sort())
})
