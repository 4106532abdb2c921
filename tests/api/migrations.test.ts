import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { loadSchoolSetup, setupVersion } from '../../server/data/schoolSetup'
import { migrate } from '../../server/data/migrate'
import { up as firstShape } from '../../server/data/migrations/0001_the_school'

// A database of the first landing, on the same server, brought forward: what a school has written must still be there.
const name = `facunda_upgrade_${process.pid}`
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
  await db('school').insert({ settings: JSON.stringify({ name: 'Old School', possessives: 'apostrophe only' }) })
  await db('layout').insert({ key: 'l', definition: '{}' })
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
  await db<Record<string, unknown>>('describing_word').insert({ tier: 'top', word: 'superb', position: 0 })
})

afterAll(async () => {
  await db.destroy()
  await admin.raw('drop database ??', [name])
  await admin.destroy()
})

describe('a database of the first landing', () => {
  it('keeps its phrases and words, and gets what has come since with its usual values', async () => {
    await migrate(db)
    const { phrases, describing } = (await loadSchoolSetup(db, await setupVersion(db))).phrasebook
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
        owner: null,
      },
    ])
    expect(describing.top).toEqual(['superb'])
    const settings = (await db<{ settings: Record<string, unknown> }>('school').first())?.settings
    expect(settings).toMatchObject({ name: 'Old School', possessives: 'apostrophe only', checks: { nameWanted: true } })
  })
  it('is left as it is by a second time, and never goes back', async () => {
    await migrate(db)
    expect(await db('phrase').count('id as n').first()).toEqual({ n: 2 })
    await db('phrase').where({ id: 'b' }).delete()
    await migrate(db)
    expect(await db('phrase').count('id as n').first()).toEqual({ n: 1 })
  })
})
