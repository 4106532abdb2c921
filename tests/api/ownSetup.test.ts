import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { ClassesAnswer, ListedStudent, RosterAnswer } from '../../contracts/classes'
import type { OwnSetupAnswer, SetupChange, SkillRow } from '../../contracts/ownSetup'
import { addDays } from '../../core/addDays'
import { demoDay } from '../../demo/demoDay'
import { databaseUrl, openDatabase } from '../../server/data/database'
import { signedInAs, type Client } from './client'
import { juniper, see, setupOf, type DemoPlace, type Done } from './school'

// The school's own set-up, classes and students, changed by its coordinator; everything is undone again.
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
const skillOf = async (id: string): Promise<SkillRow> => {
  const skill = (await rows()).skills.find((each) => each.id === id)
  if (!skill) throw new Error(`no ${id}`)
  return skill
}
const changed = (was: SkillRow, part: Partial<SkillRow>): SetupChange => ({
  kind: 'skill',
  was,
  row: { ...was, ...part },
})

describe('the set-up', () => {
  it('a skill that is retired is rated and told no more, its ratings stay, and undo brings it back', async () => {
    const was = await skillOf('M1')
    const ids = async () => (await see(philippa, place.path)).record.skills.map((skill) => skill.id)
    const { body } = await write(changed(was, { retired: true }))
    expect(await ids()).not.toContain('M1')
    expect((await rows()).uses.skill.M1).toBeGreaterThan(20)
    await undo(body.event)
    expect(await ids()).toContain('M1')
  })

  it('a subject is renamed while a colleague types in it, and neither loses anything', async () => {
    const ines = await signedInAs('ines')
    const was = (await rows()).subjects.find((each) => each.key === 'art')
    if (!was) throw new Error('no art')
    const before = (await see(ines, place.path)).record.comments.find(
      (each) => each.studentId === place.student('Finn').id && each.box === 'art',
    )
    const stands = before ?? { studentId: place.student('Finn').id, box: 'art', text: '', sentences: [], version: 0 }
    const typed = { ...stands, text: 'Finn draws rivers.', sentences: [], ownWords: true, status: 'in draft' }
    const [renamed, written] = await Promise.all([
      write({ kind: 'subject', was, row: { ...was, name: 'Art and craft', inSentence: 'art and craft' } }),
      ines<Done & { version: number }>('PUT', `${place.path}/comment`, typed),
    ])
    expect([renamed.status, written.status]).toEqual([200, 200])
    const { record } = await see(ines, place.path)
    expect(record.subjects.find((each) => each.key === 'art')?.name).toBe('Art and craft')
    expect(record.comments.find((each) => each.studentId === stands.studentId && each.box === 'art')?.text).toBe(
      typed.text,
    )
    await undo(renamed.body.event)
    const asked = { seen: written.body.version }
    expect((await ines('POST', `/api/events/${written.body.event}/undo`, asked)).status).toBe(200)
  })

  it('a skill of another grade is none of the class’s, on the grid and at the desk', async () => {
    const settle = async () => {
      const { body } = await philippa<{ classes: { name: string; counts: { settle: { of: number } } }[] }>(
        'GET',
        '/api/desk',
      )
      return body.classes.find((each) => each.name === '5 Juniper')?.counts.settle.of ?? 0
    }
    const before = await settle()
    const { body } = await write(changed(await skillOf('M1'), { grades: { from: 6, to: 8 } }))
    const { record } = await see(philippa, place.path)
    expect(record.skills.some((skill) => skill.id === 'M1')).toBe(false)
    expect(await settle()).toBe(before - record.students.length)
    await undo(body.event)
  })

  it('what something rests on is not taken away, and says how much', async () => {
    const was = await skillOf('M1')
    const { status, body } = await write({ kind: 'skill', was, row: null })
    expect([status, body.message]).toEqual([
      422,
      expect.stringMatching(/^\d+ entries rest on a skill that would go\. Retire it/),
    ])
    const scale = (await rows()).scales.find((each) => each.key === 'skills')
    if (!scale) throw new Error('no scale')
    const shorter = { ...scale, levels: scale.levels.slice(0, -1) }
    const refused = await write({ kind: 'scale', was: scale, row: shorter })
    expect([refused.status, refused.body.message]).toEqual([422, expect.stringMatching(/entries rest on level 1/)])
  })

  it.each<[string, (standing: OwnSetupAnswer) => SetupChange[], RegExp]>([
    [
      'a scale with one level',
      ({ scales: [scale] }) =>
        scale ? [{ kind: 'scale', was: null, row: { ...scale, key: 'one', levels: scale.levels.slice(0, 1) } }] : [],
      /needs two levels/,
    ],
    [
      'two equal cut-offs',
      ({ scales }) =>
        scales
          .filter((scale) => scale.kind === 'mark')
          .map((was) => ({
            kind: 'scale',
            was,
            row: { ...was, levels: was.levels.map((level) => ({ ...level, lowestPercent: 50 })) },
          })),
      /is not above “/,
    ],
    [
      'a subject marked on a scale for skills',
      ({ subjects: [was] }) => (was ? [{ kind: 'subject', was, row: { ...was, markScale: 'skills' } }] : []),
      /needs a scale for marks/,
    ],
    [
      'two subjects of one name',
      ({ subjects: [was, other] }) =>
        was && other ? [{ kind: 'subject', was, row: { ...was, name: other.name } }] : [],
      /two subjects called/,
    ],
    [
      'a strand that a plan speaks of',
      ({ skills }) =>
        skills.filter((skill) => skill.strand === 'Number').map((was) => changed(was, { strand: 'Counting' })),
      /There is no strand “Number”/,
    ],
    [
      'a verb that is never closed',
      ({ skills: [was] }) => (was ? [changed(was, { does: '{adds numbers' })] : []),
      /cannot be read/,
    ],
  ])('%s is refused whole, with the reason', async (_, changes, reason) => {
    const before = await rows()
    const { status, body } = await write(...changes(before))
    expect([status, body.message]).toEqual([422, expect.stringMatching(reason)])
    expect(await rows()).toEqual(before)
  })

  it('of two who change one skill, the second is told what stands', async () => {
    const was = await skillOf('M2')
    const first = await write(changed(was, { familyWords: 'Multiplies and divides' }))
    expect((await write(changed(was, { familyWords: 'Something else' }))).status).toBe(409)
    await undo(first.body.event)
  })
})

describe('classes and students', () => {
  const year = async () => (await philippa<ClassesAnswer>('GET', `${place.yearPath}/classes`)).body
  const roster = async (id: string) =>
    (await philippa<RosterAnswer>('GET', `${place.yearPath}/classes/${id}/students`)).body
  const child = (part: Partial<ListedStudent>): ListedStudent => ({
    schoolNumber: `t-${randomUUID().slice(0, 8)}`,
    legalGiven: 'Ottilie',
    usedName: 'Ottilie',
    family: 'Brandt',
    pronouns: 'she/her',
    from: null,
    to: null,
    gradeLevel: '5',
    ...part,
  })
  const take = (classId: string, students: ListedStudent[]) =>
    philippa<Done>('PUT', `${place.yearPath}/classes/${classId}/students`, {
      students: students.map((student, position) => ({ id: randomUUID(), student, was: null, position })),
    })

  it('a class is made, filled, and a child of another class joins it as the same child', async () => {
    const id = randomUUID()
    const made = await philippa<Done>('PUT', `${place.yearPath}/classes`, { id, name: 'River group', was: null })
    const finn = (await roster(place.answer.record.classRoom.id)).students.find((each) => each.usedName === 'Finn')
    if (!finn) throw new Error('no Finn')
    const { id: finnId, position: _, ...listed } = finn
    const twice = await take(id, [child({}), listed])
    expect([twice.status, twice.body.message]).toEqual([422, expect.stringContaining('one home class at a time')])
    const { today } = place.answer
    const left = await philippa<Done>('POST', `${place.yearPath}/classes/${place.answer.record.classRoom.id}/moves`, {
      studentId: finnId,
      lastDay: addDays(today, -1),
      to: null,
      was: { from: finn.from, to: finn.to },
    })
    const filled = await take(id, [child({}), { ...listed, from: today }])
    expect((await roster(id)).students.map((each) => [each.usedName, each.id === finnId])).toEqual([
      ['Ottilie', false],
      ['Finn', true],
    ])
    expect((await year()).classes.find((each) => each.id === id)?.students).toBe(2)
    await undo(filled.body.event)
    await undo(left.body.event)
    await undo(made.body.event)
    expect((await year()).classes.some((each) => each.id === id)).toBe(false)
  })

  it.each<[string, () => ListedStudent[], RegExp]>([
    ['two of one number', () => [child({ schoolNumber: 'x1' }), child({ schoolNumber: 'x1' })], /x1 stands twice/],
    [
      'another child’s number',
      () => [child({ schoolNumber: place.student('Finn').schoolNumber })],
      /is Finn Aaltonen’s already/,
    ],
    ['no pronouns at all', () => [child({ pronouns: 'blue' })], /Write pronouns as/],
    ['no name', () => [child({ legalGiven: ' ' })], /name is needed/],
  ])('%s is refused whole', async (_, students, reason) => {
    const before = await roster(place.answer.record.classRoom.id)
    const { status, body } = await take(place.answer.record.classRoom.id, students())
    expect([status, body.message]).toEqual([422, expect.stringMatching(reason)])
    expect(await roster(place.answer.record.classRoom.id)).toEqual(before)
  })

  it('a term is opened again by a later day, and one that does not fit is refused', async () => {
    const { terms } = await year()
    const [autumn, winter] = terms
    if (!autumn || !winter) throw new Error('no terms')
    const days = ({ id: _id, ...term }: typeof autumn) => term
    const put = (part: object) =>
      philippa<Done>('PUT', `${place.yearPath}/terms`, {
        id: autumn.id,
        was: days(autumn),
        term: { ...days(autumn), ...part },
      })
    expect((await put({ ends: winter.ends })).body.message).toContain('begins before')
    const opened = await put({ locks: '2099-01-01' })
    expect((await see(philippa, place.lastTermPath)).may.locked).toBeNull()
    await undo(opened.body.event)
    expect((await see(philippa, place.lastTermPath)).may.locked).toContain('has been locked since')
  })

  it('a class with students is not taken away, nor is a school set up twice', async () => {
    const [room] = (await year()).classes
    const { status } = await philippa('PUT', `${place.yearPath}/classes`, { id: room?.id, name: null, was: room?.name })
    expect(status).toBe(422)
    const nobody = await signedInAs(null)
    const again = {
      key: 'whatever',
      name: 'Another',
      place: '',
      beginning: 'primary',
      password: 'harbour lantern spoon',
      coordinator: { signIn: 'eve', given: 'Eve', family: '' },
      year: {
        name: '2040',
        starts: '2040-01-01',
        ends: '2040-12-01',
        terms: [
          { name: 'T', starts: '2040-01-01', ends: '2040-12-01', commentsDue: '2040-11-01', locks: '2040-12-01' },
        ],
      },
    }
    expect((await nobody('POST', '/api/set-up', again)).status).toBe(403)
    expect((await nobody('GET', '/api/set-up')).body).toEqual({ needed: false, demo: true, beginnings: [] })
  })
})

describe('the school, its marks and its report', () => {
  const own = async () => (await philippa<OwnSetupAnswer>('GET', `${place.yearPath}/setup/rows`)).body.school
  const write = (school: object, was: object) => philippa<Done>('PUT', `${place.yearPath}/school`, { school, was })

  it('are changed with what was seen, keep what the checks look for, and come back by undo', async () => {
    const was = await own()
    const { checks } = (await see(philippa, place.path)).record.school
    const school = {
      ...was,
      name: 'Larkhollow Upper School',
      markRules: { ...was.markRules, decimals: 1 },
      layout: { ...was.layout, paper: 'Letter', parts: ['subjects', 'general comment'] },
    }
    const { status, body } = await write(school, was)
    expect(status).toBe(200)
    const seen = (await see(philippa, place.path)).record
    expect(seen).toMatchObject({ school: { name: school.name, checks }, layout: school.layout })
    expect((await write({ ...was, place: 'Elsewhere' }, was)).status).toBe(409)
    await undo(body.event)
    expect(await own()).toEqual(was)
  })

  it('has its own day, wherever the server stands', async () => {
    // The demo's day stands still; any other school's does not.
    const db = openDatabase(databaseUrl())
    await db('standing_day').delete()
    const was = await own()
    const dayOf = async (timeZone: string) => {
      const { body } = await write({ ...was, timeZone }, was)
      const seen = [await see(philippa, place.path), await see(philippa, place.path)].map((each) => each.today).at(-1)
      await undo(body.event)
      return [seen, new Date().toLocaleDateString('sv-SE', { timeZone })]
    }
    // Twenty-five hours lie between them: it is never the same day in both.
    const [east, west] = [await dayOf('Pacific/Kiritimati'), await dayOf('Pacific/Niue')]
    expect([east[0], west[0]]).toEqual([east[1], west[1]])
    expect(east[0]).not.toBe(west[0])
    expect((await write({ ...was, timeZone: 'Atlantis' }, was)).status).toBe(422)
    await db('standing_day').insert({ day: demoDay })
    await db.destroy()
  })

  it.each([
    [{ name: ' ' }, /needs a name/],
    [{ layout: { parts: [] } }, /a part at least/],
    [{ layout: { parts: ['scale', 'scale'] } }, /stands there twice/],
    [{ layout: { title: '' } }, /needs a title/],
  ])('%j is refused', async (part, reason) => {
    const was = await own()
    const layout = { ...was.layout, ...('layout' in part ? part.layout : {}) }
    const { status, body } = await write({ ...was, ...part, layout }, was)
    expect([status, body.message]).toEqual([422, expect.stringMatching(reason)])
  })
})
