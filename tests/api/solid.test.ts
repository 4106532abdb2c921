import { beforeAll, describe, expect, it } from 'vitest'
import type { DraftsAnswer, FileAnswer, PlanAnswer } from '../../contracts/answers'
import type { StudentComment } from '../../core/record/termRecord'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

// What has been lost or falsified before: first writes of an empty row, versions that fell, drafting while somebody
// types, undo after a later write. Each against the real server and PostgreSQL.
interface Written {
  event: number
  version: number
  message: string
  data: { conflicts: { standing: { text: string; status: string } | null; version: number }[] }
}
let ines: Client
let place: DemoPlace
const record = async () => (await see(ines, place.path)).record
const idOf = (name: string): string => place.student(name).id
const empty = { sentences: [], ownWords: true, status: 'in draft', version: 0 }
const write = (comment: Partial<StudentComment>) =>
  ines<Written>('PUT', `${place.path}/comment`, { box: 'art', ...empty, ...comment })
const standing = async (studentId: string, box = 'art') =>
  (await record()).comments.find((each) => each.studentId === studentId && each.box === box)
const undo = (event: number, seen: number | null = null) =>
  ines<{ event: number; version: number | null }>('POST', `/api/events/${event}/undo`, { seen })

beforeAll(async () => {
  ines = await signedInAs('ines')
  place = await juniper(ines)
})

describe('two first writes of one empty box', () => {
  it('are never both taken: the second is told what stands', async () => {
    const students = (await record()).students.filter((each) => each.usedName !== 'Umi').slice(0, 20)
    for (const { id } of students) {
      const answers = await Promise.all([
        write({ studentId: id, box: 'physical-education', text: 'From one tab.' }),
        write({ studentId: id, box: 'physical-education', text: 'From another.' }),
      ])
      expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409])
      const stood = answers.find((answer) => answer.status === 409)?.body.data.conflicts[0]?.standing?.text
      expect(stood).toBe((await standing(id, 'physical-education'))?.text)
    }
  })

  it('nor of a mark or a level', async () => {
    const studentId = idOf('Kit')
    const level = (symbol: string) =>
      ines('PUT', `${place.path}/levels`, { levels: [{ studentId, kind: 'skill', about: 'P1', symbol, was: null }] })
    const before = (await record()).levels.find((each) => each.studentId === studentId && each.about === 'P1')
    if (before) {
      const gone = { studentId, kind: 'skill', about: 'P1', symbol: null, was: before.symbol }
      await ines('PUT', `${place.path}/levels`, { levels: [gone] })
    }
    const levels = await Promise.all([level('2'), level('4')])
    expect(levels.map((answer) => answer.status).sort()).toEqual([200, 409])
    // The same again is not a conflict: a change that is sent twice is made once.
    const now = (await record()).levels.find((each) => each.studentId === studentId && each.about === 'P1')
    expect((await level(now?.symbol ?? '')).body).toEqual({ event: null })
  })
})

describe('versions', () => {
  it('never fall: a tab that saw a text before an undo does not overwrite what came after', async () => {
    const studentId = idOf('Grace')
    const first = (await write({ studentId, text: 'First.' })).body
    await undo(first.event, first.version)
    expect(await standing(studentId)).toBeUndefined()
    const second = (await write({ studentId, text: 'Second.' })).body
    expect(second.version).toBeGreaterThan(first.version)
    expect((await write({ studentId, text: 'From the stale tab.', version: first.version })).status).toBe(409)
    expect((await standing(studentId))?.text).toBe('Second.')
  })

  it('a stale tab does not take “finished” back, though its words are the same', async () => {
    const studentId = idOf('Priya')
    const { version } = (await write({ studentId, text: 'Priya paints.' })).body
    expect((await write({ studentId, text: 'Priya paints.', status: 'finished', version })).status).toBe(200)
    const stale = await write({ studentId, text: 'Priya paints.', status: 'in draft', version })
    expect(stale.status).toBe(409)
    expect(stale.body.data.conflicts[0]?.standing).toMatchObject({ text: 'Priya paints.', status: 'finished' })
    expect((await standing(studentId))?.status).toBe('finished')
  })

  it('an answer that got lost is no conflict when the same is sent again', async () => {
    const studentId = idOf('Omar')
    const once = (await write({ studentId, text: 'Omar cuts lino.' })).body
    const twice = await write({ studentId, text: 'Omar cuts lino.' })
    expect([twice.status, twice.body.version]).toEqual([200, once.version])
  })
})

describe('one sitting', () => {
  it('is one event, undone as one, and undone again comes back; small in the record of what was done', async () => {
    const studentId = idOf('Elif')
    let { version } = (await write({ studentId, text: 'Elif' })).body
    const events = new Set<number>()
    for (const text of ['Elif draws', 'Elif draws the', 'Elif draws the weir', 'Elif draws the weir.']) {
      const answer = (await write({ studentId, text, version })).body
      version = answer.version
      events.add(answer.event)
    }
    expect(events.size).toBe(1)
    const [event = 0] = events
    const back = (await undo(event, version)).body
    expect((await standing(studentId))?.text ?? '').toBe('')
    await undo(back.event, back.version)
    expect((await standing(studentId))?.text).toBe('Elif draws the weir.')
  })

  it('is not undone over what somebody wrote later', async () => {
    const studentId = idOf('Tamsin')
    const drafted = await ines<DraftsAnswer>('POST', `${place.path}/drafts`, { box: 'art', where: 'empty' })
    const own = drafted.body.comments.find((each) => each.studentId === studentId)
    if (!own) throw new Error('no draft')
    await write({ ...own, text: `${own.text} In own words.`, ownWords: true })
    expect((await undo(drafted.body.event ?? 0)).status).toBe(409)
    expect((await standing(studentId))?.text).toMatch(/In own words\.$/)
  })
})

describe('drafting the empty boxes while the class is being written', () => {
  it('leaves what was written meanwhile, and names it', async () => {
    const students = (await record()).students
    const before = (await record()).comments.filter((each) => each.box === 'music')
    const tobias = await signedInAs('tobias')
    for (const each of before) {
      const gone = { ...each, text: '', sentences: [], status: 'in draft', ownWords: false }
      await tobias('PUT', `${place.path}/comment`, gone)
    }
    const cleared = new Map((await record()).comments.map((each) => [`${each.studentId} ${each.box}`, each.version]))
    const typed = students.map((student) =>
      tobias<Written>('PUT', `${place.path}/comment`, {
        ...empty,
        studentId: student.id,
        box: 'music',
        text: `${student.usedName} in own words.`,
        version: cleared.get(`${student.id} music`) ?? 0,
      }),
    )
    const drafting = tobias<DraftsAnswer>('POST', `${place.path}/drafts`, { box: 'music', where: 'empty' })
    const answers = await Promise.all(typed)
    const drafted = (await drafting).body
    const now = new Map(
      (await record()).comments.flatMap((each) => (each.box === 'music' ? [[each.studentId, each]] : [])),
    )
    for (const [nth, student] of students.entries()) {
      // Whoever was told that it is saved finds own words there.
      if (answers[nth]?.status === 200) expect(now.get(student.id)?.text).toBe(`${student.usedName} in own words.`)
      else expect(drafted.comments.some((each) => each.studentId === student.id)).toBe(true)
    }
    expect(answers.filter((answer) => answer.status === 200).length + drafted.comments.length).toBe(students.length)
    expect(drafted.comments.every((each) => !drafted.writtenMeanwhile.includes(each.studentId))).toBe(true)
  })
})

describe('a later file that says less', () => {
  it('leaves maximum, category and weight as they are', async () => {
    const bring = async (content: string) => {
      const bytes = new TextEncoder().encode(content)
      const file = (await ines<FileAnswer>('POST', `${place.path}/files?subject=art&name=q.csv`, bytes)).body
      const { plan, fingerprint } = (
        await ines<PlanAnswer>('POST', `/api/files/${file.id}/plan`, { mapping: file.mapping })
      ).body
      const taken = await ines<{ event: number }>('POST', `/api/files/${file.id}/apply`, {
        mapping: file.mapping,
        fingerprint,
      })
      return { plan, event: taken.body.event }
    }
    const first = await bring('Number,Weir sketch (20)\n05101,17\n')
    const later = await bring('Number,Weir sketch\n05104,12\n')
    expect(later.plan.work).toMatchObject([{ change: 'unchanged' }])
    expect((await record()).work.find((piece) => piece.title === 'Weir sketch')).toMatchObject({ outOf: 20 })
    await undo(later.event)
    await undo(first.event)
  })
})

describe('text that cannot be kept', () => {
  it('is told in words, and letters with their accents apart are composed', async () => {
    const studentId = idOf('Umi')
    const bad = await write({ studentId, text: 'Umi\u0000' })
    expect([bad.status, bad.body.message]).toEqual([422, expect.stringMatching(/cannot be kept/)])
    const seen = (await standing(studentId))?.version ?? 0
    const { version } = (await write({ studentId, text: 'Umi and Zoe\u0308 paint.', version: seen })).body
    expect((await standing(studentId))?.text).toBe('Umi and Zoë paint.')
    await write({ studentId, text: '', version })
  })
})
