import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { RunAnswer } from '../../contracts/answers'
import type { AnswerToWrite, QuestionKept, RegisterToKeep } from '../../contracts/evidence'
import { photoProblem } from '../../core/people/photo'
import { addDays } from '../../core/addDays'
import type { RegisterDay } from '../../core/record/register'
import { demoDay } from '../../demo/demoDay'
import { smallestPhoto } from '../smallestPhoto'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace, type Done } from './school'

// What lies behind results and levels: questions, the register, practice, photos; and lists to write into.

let ines: Client
let place: DemoPlace
beforeAll(async () => {
  ines = await signedInAs('ines')
  place = await juniper(ines)
})
const record = async () => (await see(ines, place.path)).record
const undo = async (event: number | null) => (await ines('POST', `/api/events/${event}/undo`)).status
const finn = () => place.student('Finn').id
const kit = () => place.student('Kit').id

describe('questions', () => {
  const paper: QuestionKept[] = [
    { number: 1, words: 'Shade', skill: null, outOf: 8 },
    { number: 2, words: '', skill: null, outOf: 12 },
  ]
  const work = { title: '', category: 'Sketches', date: '2026-11-20', outOf: 20, weight: 1, counts: true }
  const keep = (workId: string, questions: QuestionKept[], was: QuestionKept[] = [], answers: AnswerToWrite[] = []) =>
    ines<Done>('PUT', `${place.path}/questions`, { workId, questions, was, answers })
  const answer = (workId: string, number: number, score: number | null, was: number | null = null): AnswerToWrite => ({
    ...{ workId, number, studentId: finn(), score, was },
  })
  const give = (...answers: AnswerToWrite[]) => ines<Done>('PUT', `${place.path}/answers`, { answers })
  const resultIn = async (workId: string) => {
    const found = (await record()).results.find((each) => each.workId === workId && each.studentId === finn())
    return found ? [found.state, found.score, found.remark] : null
  }
  async function makePaper(): Promise<string> {
    const id = randomUUID()
    const made = { id, subject: 'art', work: { ...work, title: `Paper ${id}` }, was: null }
    expect((await ines('PUT', `${place.path}/work`, made)).status).toBe(200)
    expect((await keep(id, paper)).status).toBe(200)
    return id
  }

  it('are kept with a paper, answered, and make its result for as long as nobody gives another', async () => {
    const id = await makePaper()
    const first = await give(answer(id, 1, 6.5))
    expect([first.status, await resultIn(id)]).toEqual([200, ['scored', 6.5, '']])
    await give(answer(id, 2, 12))
    expect(await resultIn(id)).toEqual(['scored', 18.5, ''])
    const { questions, answers } = await record()
    expect(questions.filter((each) => each.workId === id)).toEqual(paper.map((each) => ({ ...each, workId: id })))
    expect(answers.filter((each) => each.workId === id)).toHaveLength(2)
    // A result that somebody gives by itself stays when an answer changes.
    const own = { state: 'scored', score: 19, remark: 'Looked at again.' }
    const was = { state: 'scored', score: 18.5, remark: '' }
    await ines('PUT', `${place.path}/results`, { results: [{ workId: id, studentId: finn(), result: own, was }] })
    expect((await give(answer(id, 1, 7, 6.5))).status).toBe(200)
    expect(await resultIn(id)).toEqual(['scored', 19, 'Looked at again.'])
    // Whoever saw another answer is told, and nothing is written over.
    expect((await give(answer(id, 1, 1, 6.5))).status).toBe(409)
  })

  it('go with the work and come back with it; one that goes takes its answers along', async () => {
    const id = await makePaper()
    await give(answer(id, 1, 6), answer(id, 2, 10))
    const less = await keep(id, paper.slice(0, 1), paper)
    expect(less.status).toBe(200)
    expect((await record()).answers.filter((each) => each.workId === id)).toHaveLength(1)
    expect(await undo(less.body.event)).toBe(200)
    const standing = (await record()).work.find((each) => each.id === id)
    const was = { ...work, title: `Paper ${id}`, category: standing?.category ?? '' }
    const gone = await ines<Done>('PUT', `${place.path}/work`, { id, subject: 'art', work: null, was })
    expect([gone.status, (await record()).questions.some((each) => each.workId === id)]).toEqual([200, false])
    expect(await undo(gone.body.event)).toBe(200)
    const back = await record()
    expect(back.answers.filter((each) => each.workId === id).map(({ score }) => score)).toEqual([6, 10])
    expect(await resultIn(id)).toEqual(['scored', 16, ''])
  })

  it('are not taken back under answers that came later', async () => {
    const id = await makePaper()
    const more = await keep(id, [...paper, { number: 3, words: '', skill: null, outOf: 1 }], paper)
    await give(answer(id, 3, 1))
    expect(await undo(more.body.event)).toBe(409)
    expect((await record()).questions.filter((each) => each.workId === id)).toHaveLength(3)
  })

  it.each<[string, (id: string) => Promise<{ status: number; body: Done }>, number, RegExp]>([
    ['more than a question is out of', (id) => give(answer(id, 1, 8.5)), 422, /Question 1 is out of 8/],
    ['a question that is not there', (id) => give(answer(id, 9, 1)), 404, /no question 9/],
    ['work that is not there', () => give(answer(randomUUID(), 1, 1)), 404, /no such piece of work/],
    ['the same answer twice', (id) => give(answer(id, 1, 1), answer(id, 1, 2)), 422, /twice/],
    [
      'a skill of another subject',
      (id) => keep(id, [{ number: 1, words: '', skill: skillOf('science'), outOf: 8 }], paper),
      422,
      /skill of its own subject/,
    ],
    [
      'points below what somebody has',
      async (id) => {
        await give(answer(id, 2, 12))
        return keep(
          id,
          [
            { number: 1, words: '', skill: null, outOf: 8 },
            { number: 2, words: '', skill: null, outOf: 9 },
          ],
          paper,
        )
      },
      422,
      /Question 2 is out of 9/,
    ],
  ])('%s is refused, and nothing is kept', async (_what, act, status, words) => {
    const id = await makePaper()
    const before = (await record()).questions
    const answered = await act(id)
    expect([answered.status, answered.body.message]).toEqual([status, expect.stringMatching(words)])
    expect((await record()).questions).toEqual(before)
  })
  const skillOf = (subject: string): string =>
    place.answer.record.skills.find((skill) => skill.subject === subject)?.id ?? ''
})

describe('the register', () => {
  const keep = (...days: RegisterToKeep[]) => ines<Done>('PUT', `${place.path}/register`, { days })
  const sums = async (studentId: string) => {
    const found = (await record()).attendance.find((each) => each.studentId === studentId)
    return found ? [found.daysOpen, found.absences, found.lates] : null
  }
  const day = (
    studentId: string,
    date: string,
    presence: RegisterToKeep['presence'],
    was: RegisterToKeep['was'] = null,
  ) => ({
    ...{ studentId, day: date, presence, was },
  })
  const dash = () => place.student('Dash').id
  /** Sums as they shall be, whatever stands. */
  async function giveSums(studentId: string, days: object | null): Promise<void> {
    const found = (await record()).attendance.find((each) => each.studentId === studentId)
    const { studentId: _, ...stands } = found ?? { studentId }
    await ines('PUT', `${place.path}/cells`, { attendance: [{ studentId, days, was: found ? stands : null }] })
  }

  it('makes the sums of the term, unless they were given apart; one step back takes both', async () => {
    const typed = await sums(kit())
    expect((await keep(day(kit(), '2026-11-23', 'absent'))).status).toBe(200)
    expect(await sums(kit())).toEqual(typed)
    const before = (await record()).attendance.find((each) => each.studentId === dash())
    await giveSums(dash(), null)
    await keep(day(dash(), '2026-11-23', 'present'), day(dash(), '2026-11-24', 'absent'))
    const third = await keep(day(dash(), '2026-11-25', 'late'))
    expect(await sums(dash())).toEqual([3, 1, 1])
    expect(await undo(third.body.event)).toBe(200)
    expect(await sums(dash())).toEqual([2, 1, 0])
    const rows = (await ines<RegisterDay[]>('GET', `${place.path}/register`)).body
    expect(rows.filter((each) => each.studentId === dash()).map((each) => `${each.day} ${each.presence}`)).toEqual([
      '2026-11-23 present',
      '2026-11-24 absent',
    ])
    // Sent twice, over a bad line, it is there once; over what somebody else made of it, it is not written.
    expect((await keep(day(dash(), '2026-11-24', 'absent'))).body.event).toBeNull()
    expect((await keep(day(dash(), '2026-11-24', 'present', 'late'))).status).toBe(409)
    await keep(day(dash(), '2026-11-23', null, 'present'), day(dash(), '2026-11-24', null, 'absent'))
    expect(await sums(dash())).toBeNull()
    await keep(day(kit(), '2026-11-23', null, 'absent'))
    if (before) await giveSums(dash(), { daysOpen: before.daysOpen, absences: before.absences, lates: before.lates })
  })

  it.each([
    ['1999-01-04', /no day of the/],
    [addDays(demoDay, 1), /still to come/],
  ])('of %s is refused', async (date, words) => {
    const answer = await keep(day(finn(), date, 'absent'))
    expect([answer.status, answer.body.message]).toEqual([422, expect.stringMatching(words)])
  })
})

describe('practice', () => {
  it('is kept, changed over what was seen, taken away and undone', async () => {
    const at = { studentId: finn(), program: 'Page Turners', kind: 'minutes', name: '2026-11-16' }
    const keep = (practised: object | null, was: object | null) =>
      ines<Done>('PUT', `${place.path}/cells`, { practice: [{ ...at, practised, was }] })
    const [thirty, forty] = [30, 40].map((amount) => ({ amount, beside: null }))
    const stands = async () =>
      (await record()).practice.find(({ studentId, name }) => studentId === finn() && name === at.name)
    expect((await keep(thirty ?? null, null)).status).toBe(200)
    expect(await stands()).toEqual({ ...at, ...thirty })
    expect((await keep(forty ?? null, forty ?? null)).status).toBe(409)
    const changed = await keep(forty ?? null, thirty ?? null)
    expect(await undo(changed.body.event)).toBe(200)
    expect((await keep(null, thirty ?? null)).status).toBe(200)
    expect(await stands()).toBeUndefined()
    const wrong = await keep({ amount: 99_999, beside: null }, null)
    expect([wrong.status, wrong.body.message]).toEqual([422, expect.stringMatching(/no more than 10080 minutes/)])
  })
})

describe('photos', () => {
  const keep = (jpeg: string | null, was: string | null, who = ines) =>
    who<Done>('PUT', `${place.path}/photos`, { photos: [{ studentId: kit(), jpeg, was }] })
  const fingerprint = async () => (await record()).students.find(({ id }) => id === kit())?.photo

  it('are kept, shown to who teaches the child and to nobody else, taken away and brought back', async () => {
    expect((await keep(smallestPhoto, null)).status).toBe(200)
    const mark = (await fingerprint()) ?? null
    const [tobias, marek] = await Promise.all([signedInAs('tobias'), signedInAs('marek')])
    const path = `${place.path}/photos/${kit()}`
    const shown = await tobias<Uint8Array>('GET', path)
    expect([shown.status, shown.headers.get('content-type')]).toEqual([200, 'image/jpeg'])
    expect(photoProblem(Buffer.from(shown.body).toString('base64'))).toBeNull()
    expect([(await marek('GET', path)).status, (await keep(null, mark, tobias)).status]).toEqual([403, 403])
    expect((await keep(null, 'another')).status).toBe(409)
    const gone = await keep(null, mark)
    expect([gone.status, await fingerprint(), (await ines('GET', path)).status]).toEqual([200, null, 404])
    expect(await undo(gone.body.event)).toBe(200)
    expect(await fingerprint()).toBe(mark)
    await keep(null, mark)
  })

  it('are kept as their picture alone: nothing beside it, in it or behind its end comes along', async () => {
    const plain = Buffer.from(smallestPhoto, 'base64')
    const hidden = Buffer.from('PK a second picture, 51.5 N 0.1 W')
    // A segment of colours (APP2) whose words are none, and words behind the end of the picture.
    const segment = Buffer.concat([Buffer.from([0xff, 0xe2, 0, hidden.length + 2]), hidden])
    const carrying = Buffer.concat([plain.subarray(0, 2), segment, plain.subarray(2), hidden])
    expect((await keep(carrying.toString('base64'), null)).status).toBe(200)
    const shown = await ines<Uint8Array>('GET', `${place.path}/photos/${kit()}`)
    expect(Buffer.from(shown.body).includes(hidden)).toBe(false)
    await keep(null, (await fingerprint()) ?? null)
    // A frame of 60,000 × 60,000 before that of the picture: nobody decodes it.
    const frame = Buffer.from([0xff, 0xc0, 0, 11, 8, 0xea, 0x60, 0xea, 0x60, 1, 1, 0x11, 0])
    const wrong = await keep(Buffer.concat([plain.subarray(0, 2), frame, plain.subarray(2)]).toString('base64'), null)
    expect([wrong.status, wrong.body.message]).toEqual([422, expect.stringMatching(/no JPEG/)])
  })

  it('that are none are refused in words', async () => {
    const wrong = await keep('iVBORw0KGgo=', null)
    expect([wrong.status, wrong.body.message]).toEqual([422, expect.stringMatching(/no JPEG/)])
  })
})

describe('a list to write into', () => {
  const table = { title: 'Choir', columns: [{ title: 'Sang', width: 30 }], landscape: false, rowHeight: 9 }
  const ask = (who: Client, more: object = {}) =>
    who<RunAnswer & Done>('POST', `${place.path}/tables`, { ...table, names: 'family first', ...more })

  it('is set as a PDF for who teaches in the class, and is no run of reports', async () => {
    const tobias = await signedInAs('tobias')
    const { id } = (await ask(tobias)).body
    await expect
      .poll(async () => (await tobias<RunAnswer>('GET', `/api/runs/${id}`)).body.state, { timeout: 30_000 })
      .toBe('finished')
    const pdf = await tobias<Uint8Array>('GET', `/api/runs/${id}/pdf`)
    expect(Buffer.from(pdf.body.slice(0, 5)).toString()).toBe('%PDF-')
    expect(decodeURIComponent(pdf.headers.get('content-disposition') ?? '')).toContain('5 Juniper- Choir')
    const runs = (await ines<RunAnswer[]>('GET', `${place.path}/runs`)).body
    expect(runs.some((run) => run.id === id)).toBe(false)
    const marek = await signedInAs('marek')
    expect((await marek('GET', `/api/runs/${id}/pdf`)).status).toBe(403)
  })

  it('that does not fit on the paper is refused in words', async () => {
    const wide = await ask(ines, { columns: Array.from({ length: 6 }, () => ({ title: 'Sang', width: 30 })) })
    expect([wide.status, wide.body.message]).toEqual([422, expect.stringMatching(/48 mm too wide together for A4/)])
  })
})
