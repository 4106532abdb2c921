import { availableParallelism } from 'node:os'
import { Hash } from '@adonisjs/hash'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'
import type { Knex } from 'knex'
import type { OwnSettings } from '../../contracts/ownSettings'
import type { Who } from '../access/grants'
import { signInKey } from '../access/signInKey'
import { fairQueue } from '../workers/fairQueue'
import { batched } from './batched'
import { teachesOn } from './places'
import { askPrepared } from './prepared'
import type { YearSetup } from './schoolSetup'
import type { PersonRow } from './tables'
import { keepCalendar } from './today'

/**
 * scrypt with N = 2^14, r = 8, p = 5, one of the equal settings of OWASP's Password Storage Cheat Sheet (from memory):
 * 16 MB for each password that is looked at. It runs on the thread pool, where others read files and compress answers:
 * so it is done in turn (workers/fairQueue.ts).
 */
const hash = new Hash(new Scrypt({ cost: 2 ** 14, blockSize: 8, parallelization: 5, maxMemory: 64 * 1024 * 1024 }))

/** One core less than there are, so that whoever is signed in goes on working. */
const hashing = fairQueue({
  atOnce: Math.max(1, availableParallelism() - 1),
  waitingOfOne: 150,
  waitingInAll: 600,
  tooMany: 'Very many are signing in just now. Wait a minute, then try again.',
})

/** A password as it is kept. @param address of who asks @throws Refusal when too many ask from there */
export function hashPassword(password: string, address = 'this machine'): Promise<string> {
  return hashing(address, () => hash.make(password))
}

/** A hash of nothing anyone has, so that an unknown name takes as long to refuse as a wrong password. */
const nobody = hash.make('nobody signs in with this')

/**
 * The person with this sign-in name and password, or undefined. A password kept by older parameters is kept anew by
 * today's.
 * @throws Refusal when too many try from this address
 */
export async function personBySignIn(
  db: Knex,
  { name, password, address }: { name: string; password: string; address: string },
): Promise<PersonRow | undefined> {
  const person = await db('person')
    .where({ sign_in: signInKey(name), switched_off: false })
    .first()
  const kept = person?.password_hash ?? null
  const against = kept ?? (await nobody)
  const matches = await hashing(address, () => hash.verify(against, password))
  if (!matches || !person || kept === null) return undefined
  if (hash.needsReHash(kept)) {
    await db('person')
      .where({ id: person.id })
      .update({ password_hash: await hashPassword(password, address) })
  }
  return person
}

/** Who asks, as far as every request needs to know; and the school's years, oldest first. */
export interface Asker {
  who: Who
  years: YearSetup[]
  givenName: string
  familyName: string
}

/**
 * Who a session belongs to; undefined when the person has signed out since, was switched off, or is not there any more.
 * Each request asks this; those that come together ask in one query.
 * @param epoch the number of the person's sessions at sign-in; null where no session is asked about
 */
export async function askerOf(db: Knex, personId: string, epoch: number | null): Promise<Asker | undefined> {
  const row = await askerRow(db, personId)
  if (!row || row.switchedOff || (epoch !== null && row.epoch !== epoch)) return undefined
  return {
    who: { personId, role: row.role, grades: row.grades, teaching: row.teaching },
    years: row.years,
    givenName: row.givenName,
    familyName: row.familyName,
  }
}

interface AskerRow {
  id: string
  givenName: string
  familyName: string
  role: Who['role']
  epoch: number
  switchedOff: boolean
  grades: Who['grades']
  teaching: Who['teaching']
}

const askerQuery = `
  select
    (select coalesce(json_agg(json_build_object('id', id, 'name', name, 'starts', starts, 'version', version)
        order by starts), '[]')
      from school_year join setup_version on year_id = id) as years,
    (select settings ->> 'timeZone' from school join school_year on id = year_id order by starts desc limit 1) as zone,
    (select day from standing_day) as "standsAt",
    (select coalesce(json_agg(json_build_object('id', id, 'givenName', given_name, 'familyName', family_name,
        'role', role, 'epoch', session_epoch, 'switchedOff', switched_off,
        'grades', case when grade_from is not null then json_build_object('from', grade_from, 'to', grade_to) end,
        'teaching', (select coalesce(json_agg(json_build_object('classId', class_id, 'subject', subject,
            'secondReader', second_reader)), '[]')
          from teaching where person_id = person.id and ${teachesOn('school_day()')}))), '[]')
      from person where id = any(:people)) as people`

interface AskersRow {
  years: YearSetup[]
  zone: string | null
  standsAt: string | null
  people: AskerRow[]
}

const askerRow = batched<string, (AskerRow & Pick<Asker, 'years'>) | undefined>(100, async (db, ids) => {
  const values = { people: [...new Set(ids)] }
  const rows = await askPrepared<AskersRow>(db, 'asker', askerQuery, values)
  const { years = [], people = [], zone = null, standsAt = null } = rows[0] ?? {}
  keepCalendar({ zone, standsAt })
  return ids.map((id) => {
    const person = people.find((each) => each.id === id)
    return person && { ...person, years }
  })
})

/** Ends every session of a person. */
export async function endSessions(db: Knex, personId: string): Promise<void> {
  await db('person').where({ id: personId }).increment('session_epoch', 1)
}

/** Sets a password and ends every session. @returns false when nobody has this sign-in name */
export async function setPassword(db: Knex, signIn: string, password: string): Promise<boolean> {
  const changed = await db('person')
    .where({ sign_in: signInKey(signIn) })
    .update({ password_hash: await hash.make(password), session_epoch: db.raw('session_epoch + 1') as never })
  return changed === 1
}

/** Somebody of the staff, whether they can sign in or not. */
export async function loadPerson(db: Knex, personId: string): Promise<PersonRow | undefined> {
  return db('person').where({ id: personId }).first()
}

/** How somebody has said to like to work, as far as it was kept. */
export async function keptSettings(db: Knex, personId: string): Promise<Partial<OwnSettings> | undefined> {
  return (await db('person_setting').where({ person_id: personId }).first())?.settings
}
