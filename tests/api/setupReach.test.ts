import { beforeAll, expect, it } from 'vitest'
import type { SetupChange } from '../../contracts/ownSetup'
import { narrativeFacts } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { signedInAs, type Client } from './client'
import { juniper, see, setupOf, type DemoPlace, type Done } from './school'

// What changes in a set-up reach beyond their own row; everything is undone again.
let philippa: Client
let place: DemoPlace
beforeAll(async () => {
  philippa = await signedInAs('philippa')
  place = await juniper(philippa)
})
const { rows, write, undo } = setupOf(
  (...asked) => philippa(...asked),
  () => place.yearPath,
)

it('what was changed before a column came is undone as before', async () => {
  const was = (await rows()).subjects.find((each) => each.key === 'art')
  if (!was) throw new Error('no art')
  const { body } = await write({ kind: 'subject', was, row: { ...was, inSentence: 'art and craft' } })
  const db = openDatabase(databaseUrl())
  try {
    // As an event has it that was kept when subjects had no scales by grade.
    await db.raw(
      `update event set changes = changes #- '{0,before,mark_scale_by_grade}' #- '{0,after,mark_scale_by_grade}'
       where id = ?`,
      [body.event],
    )
  } finally {
    await db.destroy()
  }
  await undo(body.event)
  expect((await rows()).subjects.find((each) => each.key === 'art')).toEqual(was)
})

it('a strand has another name: plans, phrases and comments go along, and undo takes it back', async () => {
  const finn = place.student('Finn').id
  const commentOf = async () => {
    const { record } = await see(philippa, place.path)
    const comment = record.comments.find((each) => each.studentId === finn && each.box === 'mathematics')
    return { record, comment }
  }
  const was = (await rows()).subjects.find((each) => each.key === 'mathematics')
  if (!was) throw new Error('no mathematics')
  const before = await commentOf()
  const { status, body } = await write({ kind: 'subject', was, row: { ...was, strandNames: { Number: 'Numbers' } } })
  expect(status).toBe(200)
  const { record, comment } = await commentOf()
  expect([record.boxes, record.phrasebook, record.skills, comment]).toEqual([
    before.record.boxes,
    before.record.phrasebook,
    before.record.skills,
    before.comment,
  ])
  const box = record.boxes.find((each) => each.key === 'mathematics')
  const facts = box && narrativeFacts(indexRecord(record), finn, box)
  expect(facts?.standings.find((each) => each.about === 'Number')?.name).toBe('Numbers')
  const alike = await write({
    kind: 'subject',
    was: { ...was, strandNames: { Number: 'Numbers' } },
    row: { ...was, strandNames: { Number: 'measuring' } },
  })
  expect([alike.status, alike.body.message]).toEqual([422, expect.stringMatching(/two strands called measuring/i)])
  await undo(body.event)
  expect((await rows()).subjects.find((each) => each.key === 'mathematics')?.strandNames).toEqual({})
})

it('a scale and the room for a text are other ones in some grades, for the class and for who writes', async () => {
  const { subjects, boxes, scales } = await rows()
  const [subject, box, scale] = [
    subjects.find((each) => each.key === 'mathematics'),
    boxes.find((each) => each.key === 'art'),
    scales.find((each) => each.key === 'skills'),
  ]
  if (!subject || !box || !scale) throw new Error('no mathematics, art or scale')
  const stars = {
    ...scale,
    key: 'stars',
    name: 'Stars',
    levels: scale.levels.map((level, at) => ({ ...level, symbol: '*'.repeat(at + 1) })),
  }
  const inFive = { from: 5, to: 5 }
  const made = await write(
    { kind: 'scale', row: stars, was: null },
    { kind: 'subject', was: subject, row: { ...subject, skillScaleByGrade: [{ grades: inFive, is: 'stars' }] } },
    { kind: 'box', was: box, row: { ...box, limitByGrade: [{ grades: inFive, is: 30 }] } },
  )
  expect(made.status).toBe(200)
  const { record } = await see(philippa, place.path)
  expect(record.subjects.find((each) => each.key === 'mathematics')?.skillScale).toBe('stars')
  expect(record.boxes.find((each) => each.key === 'art')?.limit).toBe(30)
  const ines = await signedInAs('ines')
  const finn = place.student('Finn').id
  const was = record.levels.find((each) => each.studentId === finn && each.about === 'M1')?.symbol ?? null
  const settle = (symbol: string) =>
    ines<Done>('PUT', `${place.path}/levels`, {
      levels: [{ studentId: finn, kind: 'skill', about: 'M1', was, symbol }],
    })
  expect((await settle('3')).body.message).toMatch(/no level here. The levels are \*, /)
  const rated = await settle('**')
  expect(rated.status).toBe(200)
  const text = 'Finn draws rivers and mountains and seas.'
  const long = { studentId: finn, box: 'art', text, sentences: [], ownWords: true, status: 'in draft', version: 0 }
  expect((await ines<Done>('PUT', `${place.path}/comment`, long)).body.message).toMatch(/holds 30/)
  expect((await ines('POST', `/api/events/${rated.body.event}/undo`)).status).toBe(200)
  const other: SetupChange = {
    kind: 'subject',
    was: subject,
    row: { ...subject, markScaleByGrade: [{ grades: inFive, is: 'stars' }] },
  }
  expect(
    (await write({ ...other, was: { ...subject, skillScaleByGrade: [{ grades: inFive, is: 'stars' }] } })).body.message,
  ).toMatch(/needs a scale for marks/)
  await undo(made.body.event)
})
