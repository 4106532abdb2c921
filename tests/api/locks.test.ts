import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type { Reopening, ReopeningsAnswer } from '../../contracts/reopenings'
import { addDays } from '../../core/addDays'
import { isOpenFor, openSubjects } from '../../core/terms/lock'
import { demoDay } from '../../demo/demoDay'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace, type Done } from './school'

// After its lock nothing of a term changes, by whatever route, but what the coordinator has opened again.
let db: Knex
let ines: Client
let philippa: Client
let place: DemoPlace
let ids: { autumn: string; winter: string; room: string; student: string }
const day = demoDay

beforeAll(async () => {
  db = openDatabase(databaseUrl())
  ines = await signedInAs('ines')
  philippa = await signedInAs('philippa')
  place = await juniper(ines)
  const [room = '', autumn = ''] = place.lastTermPath.split('/').slice(3)
  ids = { autumn, winter: place.path.split('/')[4] ?? '', room, student: place.answer.record.students[3]?.id ?? '' }
})
afterAll(() => db.destroy())

const path = (): string => `${place.yearPath}/reopenings`
const write = async (id: string, reopening: Reopening, was: Reopening | null = null) =>
  philippa<Done>('PUT', path(), { id, reopening, was })
const reopening = (change: Partial<Reopening> = {}): Reopening => ({
  ...{ termId: ids.autumn, classId: ids.room, subject: 'mathematics', from: day, to: addDays(day, 2) },
  ...{ reason: 'A paper was found', ...change },
})
const settle = async (subject: string, percent = 61) => {
  const was = (await see(ines, place.lastTermPath)).record.marks.find(
    (mark) => mark.studentId === ids.student && mark.subject === subject,
  )
  const seen = was ? { percent: was.percent, special: was.special, reason: was.reason } : null
  const mark = { percent, special: null, reason: 'found late' }
  return ines<Done>('PUT', `${place.lastTermPath}/marks`, {
    marks: [{ studentId: ids.student, subject, mark, was: seen }],
  })
}

describe('a subject of a class, opened again', () => {
  it('can be changed, that alone, until it is closed; who opened it and why stays', async () => {
    expect((await settle('mathematics')).status).toBe(423)
    const id = randomUUID()
    expect((await write(id, reopening())).status).toBe(200)
    const settled = await settle('mathematics')
    expect(settled.status).toBe(200)
    const other = await settle('science')
    expect([other.status, other.body.message]).toEqual([423, expect.stringContaining('has been locked since')])
    const { may } = await see(ines, place.lastTermPath)
    expect([may.locked, may.general, may.subjects, may.reopened]).toEqual([
      ...[null, false, ['mathematics']],
      [{ subject: 'mathematics', until: addDays(day, 2) }],
    ])
    expect((await ines('POST', `/api/events/${settled.body.event}/undo`)).status).toBe(200)
    const closed = reopening({ to: addDays(day, -1) })
    expect((await write(id, closed, reopening())).status).toBe(200)
    expect((await settle('mathematics')).status).toBe(423)
    const { reopenings } = (await philippa<ReopeningsAnswer>('GET', path())).body
    expect(reopenings.find((each) => each.id === id)).toEqual({ ...closed, id, madeBy: expect.any(String) as string })
  })

  it.each([
    ['nothing of it named', { classId: null, subject: null }, 'Choose a class or a subject.'],
    ['no reason', { reason: '  ' }, 'Say why'],
    ['for half a year', { to: addDays(day, 180) }, '31 days at most'],
    ['backwards', { to: addDays(day, -9) }, 'comes before the first'],
    ['a subject that is none', { subject: 'alchemy' }, 'no such subject'],
  ])('%s: refused in words', async (_what, change, words) => {
    const answer = await write(randomUUID(), reopening(change))
    expect([answer.status >= 400, answer.body.message]).toEqual([true, expect.stringMatching(new RegExp(words, 'i'))])
  })

  it('is the coordinator’s to open', async () => {
    expect((await ines('GET', path())).status).toBe(403)
    const asked = { id: randomUUID(), reopening: reopening(), was: null }
    expect((await ines('PUT', path(), asked)).status).toBe(403)
  })
})

describe('the database itself', () => {
  /** Every table whose rows belong to a term, asked of the database: by its term, its work, or a child's day. */
  const ofTerms = async (): Promise<string[]> => {
    const { rows } = await db.raw<{ rows: { name: string }[] }>(
      `select distinct c.table_name as name from information_schema.columns c
       join information_schema.tables t using (table_schema, table_name)
       where c.table_schema = 'public' and t.table_type = 'BASE TABLE'
         and (c.column_name in ('term_id', 'work_id') or c.table_name = 'register_day') order by 1`,
    )
    return rows.map(({ name }) => name)
  }
  /** What keeps no word about a child that a family reads: who looked, what came in, what was made, and events. */
  const free = ['bundle_result', 'bundle_work', 'event', 'gradebook_file', 'opening', 'reopening', 'report_run']

  it('has a guard on each table of a term', async () => {
    const { rows } = await db.raw<{ rows: { name: string; count: number }[] }>(
      `select event_object_table as name, count(*)::int as count from information_schema.triggers
       where trigger_name like 'kept_when_locked_%' group by 1 order by 1`,
    )
    const guarded = new Set(rows.filter(({ count }) => count === 3).map(({ name }) => name))
    expect((await ofTerms()).filter((name) => !guarded.has(name))).toEqual(free)
  })

  const tryOut = (sql: string): Promise<string> =>
    db
      .transaction(async (trx) => {
        await trx.raw(sql, ids)
        throw new Error('taken')
      })
      .catch((error: unknown) => (error as { code?: string }).code ?? (error as Error).message) as Promise<string>

  it.each([
    [`update settled_mark set percent = 50 where student_id = :student and term_id = TERM and subject = 'mathematics'`],
    [`delete from comment where term_id = TERM`],
    [`insert into observation (student_id, term_id, day, about, text) values (:student, TERM, '2026-11-01', '', 'x')`],
    [`update settled_level set symbol = '1' where term_id = TERM`],
    [
      `insert into attendance (student_id, term_id, days_open, absences, lates) values (:student, TERM, 9, 0, 0)
      on conflict (student_id, term_id) do update set lates = 9`,
    ],
    [`update work set term_id = TERM where class_id = :room`],
    [
      `insert into work (id, class_id, subject, term_id, title, category, done_on, out_of, weight, counts)
      values (gen_random_uuid(), :room, 'mathematics', TERM, 'Late', 'quiz', null, 10, 1, true)`,
    ],
  ])('refuses past its lock: %s', async (sql) => {
    expect(await tryOut(sql.replaceAll('TERM', ':autumn'))).toBe('LT001')
    expect(await tryOut(sql.replaceAll('TERM', ':winter'))).toBe('taken')
  })

  it('goes by the same rule as the server, whatever is opened again', async () => {
    const openings = [null, 'mathematics'].flatMap((subject) =>
      [null, ids.room].flatMap((classId) =>
        [-1, 0].map((offset) => ({ subject, classId, until: addDays(day, offset) })),
      ),
    )
    for (const each of openings.filter(({ subject, classId }) => subject !== null || classId !== null)) {
      const told = await db
        .transaction(async (trx) => {
          const { subject, classId, until } = each
          const row = { id: randomUUID(), term_id: ids.autumn, class_id: classId, subject, to_day: until }
          await trx('reopening').insert({ ...row, from_day: addDays(day, -3), reason: 'x', made_by: await anybody() })
          const { rows } = await trx.raw<{ rows: { open: boolean[] }[] }>(
            `select array(select not is_locked(:term, :room, null, s.x)
               from unnest(array['mathematics', 'science', null]) with ordinality as s (x, n) order by n) as open`,
            { term: ids.autumn, room: ids.room },
          )
          throw Object.assign(new Error('rolled back'), { open: rows[0]?.open })
        })
        .catch((error: { open?: boolean[] }) => error.open)
      const here = each.until >= day ? [{ subject: each.subject, until: each.until }] : []
      const open = openSubjects({ locks: '2000-01-01' }, day, here)
      expect(told).toEqual(['mathematics', 'science', null].map((subject) => isOpenFor(open, subject)))
    }
  })

  const anybody = async (): Promise<string> => {
    const found = await db('person').first('id')
    return found?.id ?? ''
  }

  it('stops what was asked before the lock and is written after it', async () => {
    const [level] = (await see(ines, place.path)).record.levels.filter((each) => each.about === 'P2')
    if (!level) throw new Error('There is no level.')
    const { studentId, about, symbol } = level
    const term = await db('term').where({ id: ids.winter }).first('locks')
    const held = await db.transaction()
    try {
      await held('settled_level').where({ student_id: studentId, about, term_id: ids.winter }).forUpdate()
      const asked = ines<Done>('PUT', `${place.path}/levels`, {
        levels: [{ studentId, kind: 'skill', about, was: symbol, symbol: symbol === '2' ? '3' : '2' }],
      })
      // The look at the term is over when the save waits for its row.
      await waiting()
      await held('term').where({ id: ids.winter }).update({ locks: day })
      await held.commit()
      const { status, body } = await asked
      expect([status, body.message]).toEqual([423, expect.stringContaining('has been locked since')])
    } finally {
      if (!held.isCompleted()) await held.rollback()
      await db('term')
        .where({ id: ids.winter })
        .update({ locks: term?.locks ?? '' })
    }
    const after = (await see(ines, place.path)).record.levels.find(
      (each) => each.studentId === studentId && each.about === about,
    )
    expect(after?.symbol).toBe(symbol)
  })

  /** Until some connection waits for another's row. */
  const waiting = (): Promise<void> =>
    vi.waitFor(
      async () => {
        const { rows } = await db.raw<{ rows: object[] }>(
          `select from pg_stat_activity where wait_event_type = 'Lock' and query like '%settled_level%'`,
        )
        expect(rows).not.toEqual([])
      },
      { timeout: 20_000, interval: 20 },
    )
})
