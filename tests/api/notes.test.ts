import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { NoteKept } from '../../contracts/notes'
import { allSignedIn, type Client } from './client'
import { juniper, see, type DemoPlace, type Done } from './school'

// Notes about a child: who writes them, who reads them, and that none is lost.

let ines: Client
let tobias: Client
let philippa: Client
let place: DemoPlace
beforeAll(async () => {
  ;[ines, tobias, philippa] = await allSignedIn('ines', 'tobias', 'philippa')
  place = await juniper(ines)
})

const plain: NoteKept = {
  ...{ date: '2026-11-20', kind: null, about: '' },
  ...{ symbol: null, text: 'Asked how a lock gate opens.', mayTell: false },
}
const finn = () => place.student('Finn').id
const write = (who: Client, id: string, note: NoteKept | null, was: NoteKept | null = null, studentId = finn()) =>
  who<Done>('PUT', `${place.path}/note`, { id, studentId, note, was })
const readBy = async (who: Client, id: string) =>
  (await see(who, place.path)).record.observations.find((each) => each.id === id)

describe('a note', () => {
  it('is written, changed over what was seen, taken away, and each of it undone', async () => {
    const id = randomUUID()
    expect((await write(ines, id, plain)).status).toBe(200)
    // Sent twice, over a bad line, it is there once.
    expect((await write(ines, id, plain)).body.event).toBeNull()
    const told = { ...plain, mayTell: true, text: 'Asked how a lock gate opens, and drew one.' }
    const changed = await write(ines, id, told, plain)
    expect(await readBy(ines, id)).toMatchObject({ ...told, own: true, studentId: finn() })
    const stale = await write(ines, id, { ...plain, text: 'Another tab' }, plain)
    expect([stale.status, (await readBy(ines, id))?.text]).toEqual([409, told.text])
    const gone = await write(ines, id, null, told)
    expect(await readBy(ines, id)).toBeUndefined()
    expect((await ines('POST', `/api/events/${gone.body.event}/undo`)).status).toBe(200)
    expect((await ines('POST', `/api/events/${changed.body.event}/undo`)).status).toBe(200)
    expect(await readBy(ines, id)).toMatchObject(plain)
    await write(ines, id, null, plain)
  })

  it('may say a level that was seen, with words or without; none that is no level of what it is about', async () => {
    const seen: NoteKept = { ...plain, kind: 'habit', about: 'taking-care', symbol: 'O', text: '' }
    const id = randomUUID()
    const { body } = await write(ines, id, seen)
    expect(await readBy(ines, id)).toMatchObject(seen)
    expect((await ines('POST', `/api/events/${body.event}/undo`)).status).toBe(200)
    expect(await readBy(ines, id)).toBeUndefined()
    const wrong: Partial<NoteKept>[] = [
      { symbol: '3' },
      { kind: null, about: '' },
      { kind: 'work', about: place.answer.record.work[0]?.id ?? '' },
      { symbol: null },
    ]
    for (const each of wrong)
      expect((await write(ines, id, { ...seen, ...each })).status, JSON.stringify(each)).toBe(422)
  })

  it('for its writer is read by nobody else; one that may be told, by whom its matter concerns', async () => {
    const { work, skills } = place.answer.record
    const about = (kind: NoteKept['kind'], key: string): NoteKept => ({ ...plain, mayTell: true, kind, about: key })
    const notes: [NoteKept, readers: string[]][] = [
      [plain, ['ines']],
      [{ ...plain, mayTell: true }, ['ines', 'philippa']],
      [about('habit', 'taking-care'), ['ines', 'philippa']],
      [about('skill', skills.find(({ subject }) => subject === 'art')?.id ?? ''), ['ines', 'philippa']],
      [about('skill', skills.find(({ subject }) => subject === 'music')?.id ?? ''), ['ines', 'tobias', 'philippa']],
      [about('work', work.find(({ subject }) => subject === 'music')?.id ?? ''), ['ines', 'tobias', 'philippa']],
    ]
    for (const [note, readers] of notes) {
      const id = randomUUID()
      expect((await write(ines, id, note)).status).toBe(200)
      const seen = await Promise.all(
        Object.entries({ ines, tobias, philippa }).map(async ([name, who]) => ((await readBy(who, id)) ? [name] : [])),
      )
      expect(seen.flat(), JSON.stringify(note)).toEqual(readers)
      await write(ines, id, null, note)
    }
  })

  it('of a specialist is the specialist’s: nobody changes it for them, nor takes its place', async () => {
    const id = randomUUID()
    expect((await write(tobias, id, { ...plain, mayTell: true })).status).toBe(200)
    expect(await readBy(ines, id)).toMatchObject({ own: false, by: expect.stringContaining('Tobias') })
    expect((await write(ines, id, plain, { ...plain, mayTell: true })).status).toBe(404)
    expect((await write(ines, id, null, { ...plain, mayTell: true })).status).toBe(404)
    expect((await write(ines, id, plain)).status).toBe(404)
    expect((await write(tobias, id, null, { ...plain, mayTell: true })).status).toBe(200)
  })

  it.each([
    ['a day to come', { ...plain, date: '2099-01-01' }, 422],
    ['a day before the term', { ...plain, date: '2020-01-01' }, 422],
    ['nothing but blanks', { ...plain, text: '  ' }, 422],
    ['a skill that is none', { ...plain, kind: 'skill', about: 'none' }, 404],
    ['work of nobody', { ...plain, kind: 'work', about: randomUUID() }, 404],
    ['work by what is no id', { ...plain, kind: 'work', about: 'Quiz' }, 422],
  ] as [string, NoteKept, number][])('with %s is refused in words', async (_what, note, status) => {
    const answer = await write(ines, randomUUID(), note)
    expect([answer.status, answer.body.message.length > 10]).toEqual([status, true])
  })

  it('stays with the child where it was written', async () => {
    const id = randomUUID()
    await write(ines, id, plain)
    expect((await write(ines, id, plain, plain, place.student('Kit').id)).status).toBe(404)
    expect((await write(ines, randomUUID(), plain, null, randomUUID())).status).toBe(404)
    await write(ines, id, null, plain)
  })
})

describe('a list of a class', () => {
  const keep = (who: Client, cells: object) => who<Done>('PUT', `${place.path}/cells`, cells)
  const days = (daysOpen: number, absences: number, lates: number) => ({ daysOpen, absences, lates })
  const attendanceOf = async (studentId: string) => {
    const found = (await see(ines, place.path)).record.attendance.find((each) => each.studentId === studentId)
    return found ? days(found.daysOpen, found.absences, found.lates) : null
  }

  it('comes in as one change, whole or not at all, and goes as one', async () => {
    const studentId = place.student('Kit').id
    const was = await attendanceOf(studentId)
    const note = { id: randomUUID(), studentId, note: { ...plain, text: 'Came by boat.' } }
    const level = { studentId, kind: 'habit', about: 'taking-care', symbol: 'NA' }
    const seen = (await see(ines, place.path)).record.habitScores.find(
      (each) => each.studentId === studentId && each.about === 'taking-care',
    )
    const cells = {
      attendance: [{ studentId, days: days(41, 3, 2), was }],
      levels: [{ ...level, was: seen?.symbol ?? null }],
      notes: [note],
    }
    const wrong = await keep(ines, { ...cells, levels: [{ ...cells.levels[0], symbol: 'never' }] })
    expect([wrong.status, await attendanceOf(studentId)]).toEqual([422, was])
    const done = await keep(ines, cells)
    expect([done.status, await attendanceOf(studentId)]).toEqual([200, days(41, 3, 2)])
    expect((await readBy(ines, note.id))?.text).toBe('Came by boat.')
    // Over what somebody has changed since, nothing of it comes in.
    const stale = await keep(ines, { attendance: [{ studentId, days: days(9, 9, 9), was }], notes: [note] })
    expect([stale.status, await attendanceOf(studentId)]).toEqual([409, days(41, 3, 2)])
    expect((await ines('POST', `/api/events/${done.body.event}/undo`)).status).toBe(200)
    expect([await attendanceOf(studentId), await readBy(ines, note.id)]).toEqual([was, undefined])
  })

  it('is refused where its bringer may not, and where it cannot be', async () => {
    const studentId = place.student('Kit').id
    const was = await attendanceOf(studentId)
    expect((await keep(tobias, { attendance: [{ studentId, days: days(40, 1, 0), was }] })).status).toBe(403)
    expect((await keep(ines, { attendance: [{ studentId, days: days(3, 4, 0), was }] })).status).toBe(422)
    const elsewhere = { studentId: randomUUID(), days: days(40, 1, 0), was: null }
    expect((await keep(ines, { attendance: [elsewhere] })).status).toBe(404)
    expect(await attendanceOf(studentId)).toEqual(was)
  })
})
