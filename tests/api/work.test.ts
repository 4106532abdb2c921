import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import type { DraftsAnswer, RunAnswer } from '../../contracts/answers'
import { markProposal } from '../../core/record/markProposal'
import { indexRecord } from '../../core/record/recordIndex'
import { runBatch } from '../../scripts/runBatch'
import { startCluster } from '../../scripts/cluster.mjs'
import { demoFolder } from '../outside/demoClass'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

let ines: Client
let place: DemoPlace
const record = async () => (await see(ines, place.path)).record
const settled = async (studentId: string, subject: string) => {
  const found = (await record()).marks.find((mark) => mark.studentId === studentId && mark.subject === subject)
  return found ? { percent: found.percent, special: found.special, reason: found.reason } : null
}
const settle = async (mark: object | null, path = place.path) =>
  ines<{ event: number | null; message: string }>('PUT', `${path}/marks`, {
    marks: [
      {
        studentId: place.student('Umi').id,
        subject: 'art',
        mark,
        was: await settled(place.student('Umi').id, 'art'),
      },
    ],
  })
const comment = (text: string, version: number, more: object = {}) =>
  ines<{
    event: number
    version: number
    message: string
    data: { conflicts: { standing: { text: string; status: string }; version: number }[] }
  }>('PUT', `${place.path}/comment`, {
    studentId: place.student('Umi').id,
    box: 'writing',
    text,
    sentences: [],
    ownWords: true,
    status: 'in draft',
    version,
    ...more,
  })

beforeAll(async () => {
  ines = await signedInAs('ines')
  place = await juniper(ines)
})

describe('settling', () => {
  const own = async () =>
    (await record()).marks.find((mark) => mark.studentId === place.student('Umi').id && mark.subject === 'art')
  it('keeps what was settled, takes it back, and undoes', async () => {
    const before = await own()
    const settled = await settle({ percent: 81.5, special: null, reason: 'The last piece' })
    expect(await own()).toMatchObject({ percent: 81.5, reason: 'The last piece' })
    expect((await settle({ percent: 81.5, special: null, reason: 'The last piece' })).body.event).toBeNull()
    await settle(null)
    expect(await own()).toBeUndefined()
    expect((await ines('POST', `/api/events/${settled.body.event}/undo`)).status).toBe(409)
    await settle(before ?? null)
  })
  it.each([
    [{ percent: 130, special: null, reason: null }, /120/],
    [{ percent: -1, special: null, reason: null }, /below 0/],
    [{ percent: 50, special: 'incomplete', reason: null }, /Settle either/],
  ])('refuses %j', async (mark, message) => {
    const answer = await settle(mark)
    expect(answer.status).toBe(422)
    expect(answer.body.message).toMatch(message)
  })
  it('refuses a level that the scale has not, and another class’s student', async () => {
    const level = (studentId: string, symbol: string) =>
      ines<{ message: string }>('PUT', `${place.path}/levels`, {
        levels: [{ studentId, kind: 'skill', about: 'W1', symbol, was: null }],
      })
    expect((await level(place.student('Umi').id, '9')).body.message).toMatch(/no level here/)
    expect((await level('00000000-0000-4000-8000-000000000000', '3')).status).toBe(404)
  })
  it('keeps a special value by its own sign, and takes many cells as one change that is undone as one', async () => {
    const ids = ['Umi', 'Finn', 'Elif'].map((name) => place.student(name).id)
    const levels = async () =>
      (await record()).levels
        .filter((level) => level.about === 'A1' && ids.includes(level.studentId))
        .map((level) => `${level.studentId} ${level.symbol}`)
        .sort()
    const before = await levels()
    const { body } = await ines<{ event: number }>('PUT', `${place.path}/levels`, {
      levels: ids.map((studentId) => ({
        studentId,
        kind: 'skill',
        about: 'A1',
        symbol: 'absent',
        was: before.find((each) => each.startsWith(studentId))?.split(' ')[1] ?? null,
      })),
    })
    expect(await levels()).toEqual(ids.map((id) => `${id} ABS`).sort())
    expect((await ines('POST', `/api/events/${body.event}/undo`)).status).toBe(200)
    expect(await levels()).toEqual(before)
  })
  it('takes nothing of a change when a part of it may not be', async () => {
    const mark = (studentId: string, subject: string) => ({
      studentId,
      subject,
      mark: { percent: 33.25, special: null, reason: null },
      was: null,
    })
    const { status } = await ines('PUT', `${place.path}/marks`, {
      marks: [mark(place.student('Umi').id, 'science'), mark(place.student('Umi').id, 'music')],
    })
    expect(status).toBe(403)
    expect((await record()).marks.some((each) => each.percent === 33.25)).toBe(false)
  })
  it('refuses every change to a locked term, saying who can open it', async () => {
    const answer = await settle({ percent: 50, special: null, reason: null }, place.lastTermPath)
    expect(answer.status).toBe(423)
    expect(answer.body.message).toMatch(/locked since .*coordinator/)
  })
})

describe('writing', () => {
  it('saves, counts versions, and never overwrites what another tab wrote', async () => {
    const standing =
      (await record()).comments.find((each) => each.studentId === place.student('Umi').id && each.box === 'writing')
        ?.version ?? 0
    const first = await comment('Umi writes well.', standing)
    expect(first.body.version).toBeGreaterThan(standing)
    const other = await comment('Umi writes badly.', standing)
    expect(other.status).toBe(409)
    expect(other.body.data.conflicts).toMatchObject([
      { standing: { text: 'Umi writes well.' }, version: first.body.version },
    ])
    expect((await comment('x'.repeat(601), first.body.version)).body.message).toMatch(
      /601 characters; Writing holds 600/,
    )
    const [both] = await Promise.all([comment('One.', first.body.version), comment('Two.', first.body.version)]).then(
      (answers) => [answers.map((answer) => answer.status).sort()],
    )
    expect(both).toEqual([200, 409])
  })

  it('drafts only where nothing stands, and gives the same comments as the batch command', async () => {
    const own = (await record()).comments.find((each) => each.box === 'mathematics' && each.ownWords)
    await ines<DraftsAnswer>('POST', `${place.path}/drafts`, { box: 'mathematics', where: 'empty and drafts' })
    expect(
      (await record()).comments.find((each) => each.box === 'mathematics' && each.studentId === own?.studentId)?.text,
    ).toBe(own?.text)

    // The batch command takes what is proposed; here not everything is settled yet.
    const all = await record()
    const index = indexRecord(all)
    const tobias = await signedInAs('tobias')
    for (const { key: subject } of all.subjects) {
      const marks = all.students.flatMap(({ id }) => {
        const { percent } = markProposal(index, id, subject).computed
        return percent === null || index.markOf(id, subject)
          ? []
          : [{ studentId: id, subject, mark: { percent, special: null, reason: null }, was: null }]
      })
      const asker = subject === 'music' ? tobias : ines
      if (marks.length > 0) expect((await asker('PUT', `${place.path}/marks`, { marks })).status).toBe(200)
    }

    // Boxes that other tests need as they are stay empty here, and are none of the folder's.
    const boxes = ['general', 'writing', 'mathematics', 'science']
    const folder = mkdtempSync(join(tmpdir(), 'facunda-same-'))
    cpSync(demoFolder, folder, { recursive: true })
    const [heading, ...lines] = readFileSync(join(demoFolder, 'boxes.csv'), 'utf8').split(/\r?\n/)
    const kept = lines.filter((line) => boxes.includes(line.split(',')[0] ?? ''))
    writeFileSync(join(folder, 'boxes.csv'), [heading, ...kept].join('\n'))
    const out = join(folder, 'out')
    expect(await runBatch(['--in', folder, '--out', out], console.error, () => undefined)).toBe(0)
    const run = JSON.parse(readFileSync(join(out, 'run.json'), 'utf8')) as {
      students: { number: string; comments: { box: string; text: string }[] }[]
    }
    // What a child's other boxes say counts for the next one: all are empty, and go in the order of the plan.
    for (const each of (await record()).comments.filter((one) => one.text !== '')) {
      await ines('PUT', `${place.path}/comment`, {
        ...each,
        text: '',
        sentences: [],
        ownWords: false,
        status: 'in draft',
      })
    }
    for (const box of boxes) {
      const { body } = await ines<DraftsAnswer>('POST', `${place.path}/drafts`, { box, where: 'empty' })
      const app = new Map(body.comments.map((each) => [each.studentId, each.text]))
      for (const student of run.students) {
        const id = place.answer.record.students.find((each) => each.schoolNumber === student.number)?.id ?? ''
        expect(`${student.number} ${app.get(id) ?? ''}`).toBe(
          `${student.number} ${student.comments.find((each) => each.box === box)?.text}`,
        )
      }
    }
  })
})

describe('sending', () => {
  it('sets the class’s reports in a job and keeps the PDF', async () => {
    let run = (await ines<RunAnswer>('POST', `${place.path}/runs`, { students: [] })).body
    for (let wait = 0; wait < 200 && !['finished', 'failed'].includes(run.state); wait += 1) {
      await new Promise((done) => setTimeout(done, 150))
      run = (await ines<RunAnswer>('GET', `/api/runs/${run.id}`)).body
    }
    expect(run).toMatchObject({ state: 'finished', done: 24, students: 24 })
    expect(Object.keys(run.pages ?? {})).toHaveLength(24)
    const pdf = await ines<Uint8Array>('GET', `/api/runs/${run.id}/pdf`)
    expect(pdf.headers.get('content-type')).toBe('application/pdf')
    expect(new TextDecoder('latin1').decode(pdf.body.slice(0, 5))).toBe('%PDF-')
  })
})

describe('when the database is gone for a while', () => {
  it.runIf(process.env.FACUNDA_CLUSTER)('says so, loses nothing, and goes on when it is back', async () => {
    const cluster = await startCluster(process.env.FACUNDA_CLUSTER ?? '')
    cluster.stop()
    const during = await ines<{ message: string }>('GET', place.path)
    expect(during.status).toBe(503)
    expect(during.body.message).toMatch(/cannot be reached.*Nothing was lost/)
    cluster.start()
    expect((await ines('GET', place.path)).status).toBe(200)
  })
})
