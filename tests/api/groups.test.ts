import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { DeskAnswer } from '../../contracts/answers'
import type { ClassesAnswer, RosterAnswer } from '../../contracts/classes'
import type { PeopleAnswer } from '../../contracts/people'
import type { YearToFollow } from '../../contracts/setUp'
import { teacherOf } from '../../core/record/roster'
import { addDays } from '../../core/addDays'
import { signedInAs, type Client } from './client'
import { juniper, see, setupOf, type DemoPlace, type Done } from './school'

// Children of several classes who are taught one subject together: what the group sees, what stays with the home class.

let philippa: Client
let ines: Client
let tobias: Client
let marek: Client
let home: DemoPlace
const strings = 'River strings'

beforeAll(async () => {
  ;[philippa, ines, tobias, marek] = await Promise.all([
    signedInAs('philippa'),
    signedInAs('ines'),
    signedInAs('tobias'),
    signedInAs('marek'),
  ])
  home = await juniper(ines)
})

const classes = async (): Promise<ClassesAnswer['classes']> =>
  (await philippa<ClassesAnswer>('GET', `${home.yearPath}/classes`)).body.classes
const rosterOf = async (id: string): Promise<RosterAnswer> =>
  (await philippa<RosterAnswer>('GET', `${home.yearPath}/classes/${id}/students`)).body
const undo = (done: { body: Done }): Promise<void> => setupOf(philippa, () => home.yearPath).undo(done.body.event)

async function makeGroup(name: string, subject: string): Promise<{ id: string; made: { body: Done } }> {
  const id = randomUUID()
  const made = await philippa<Done>('PUT', `${home.yearPath}/classes`, { id, name, was: null, subject })
  expect(made.status).toBe(200)
  return { id, made }
}

async function takeIn(group: string, names: readonly string[]): Promise<{ status: number; body: Done }> {
  const listed = (await rosterOf(home.answer.record.classRoom.id)).students
  const wanted = listed.filter(({ usedName, family }) => names.length === 0 || names.includes(`${usedName} ${family}`))
  return philippa<Done>('PUT', `${home.yearPath}/classes/${group}/students`, {
    students: wanted.map(({ id: _id, position, ...student }) => ({ id: randomUUID(), student, was: null, position })),
  })
}

async function give(signIn: string, classId: string, subject: string | null) {
  const { people } = (await philippa<PeopleAnswer>('GET', `${home.yearPath}/people`)).body
  const personId = people.find((each) => each.signIn === signIn)?.id
  const lesson = { personId, classId, subject, secondReader: false, from: null, to: null }
  return philippa<Done>('PUT', '/api/people/teaching', { id: randomUUID(), lesson, was: null })
}

describe('a group, as its teacher has it', () => {
  it('is its children and its subject, and nothing of their home classes', async () => {
    const { record, may } = await juniper(tobias, strings).then(({ answer }) => answer)
    expect(record.students.map(({ usedName }) => usedName)).toEqual([
      'Hyun-woo',
      'Rosa',
      'Caoimhe',
      'Zoë',
      'Bram',
      'Imani',
      'Jules',
      'Uma',
    ])
    expect([record.subjects.map(({ key }) => key), record.boxes.map(({ key }) => key), record.habits]).toEqual([
      ['music'],
      ['music'],
      [],
    ])
    expect([...new Set(record.skills.map(({ subject }) => subject))]).toEqual(['music'])
    expect(may).toMatchObject({ subjects: ['music'], general: false, reports: false })
    expect(record.observations.filter(({ about }) => about === '')).toEqual([])
  })

  it('is counted on the desk for that subject alone', async () => {
    const desk = (await tobias<DeskAnswer>('GET', '/api/desk')).body
    const { record } = (await juniper(tobias, strings)).answer
    const group = desk.classes.find(({ name }) => name === strings)
    expect(group).toMatchObject({ role: 'Music', students: 8 })
    expect([group?.counts.settle.of, group?.counts.write.of, group?.counts.send.of]).toEqual([
      8 * (1 + record.skills.length),
      8,
      0,
    ])
  })

  it('is looked at by the coordinator for that subject alone, and by no home teacher', async () => {
    const { path, answer } = await juniper(philippa, strings)
    expect([answer.record.subjects.map(({ key }) => key), answer.may.subjects]).toEqual([['music'], []])
    expect((await ines('GET', path)).status).toBe(403)
    expect((await tobias('POST', `${path}/runs`, { students: [] })).status).not.toBe(200)
  })

  it('what is settled there stands in the home class', async () => {
    const group = await juniper(tobias, strings)
    const child = group.student('Rosa')
    const skill = group.answer.record.skills[0]?.id ?? ''
    const was = group.answer.record.levels.find((each) => each.studentId === child.id && each.about === skill)?.symbol
    const symbol = was === '2' ? '3' : '2'
    const level = { kind: 'skill', studentId: child.id, about: skill, symbol, was: was ?? null }
    const done = await tobias<Done>('PUT', `${group.path}/levels`, { levels: [level] })
    expect(done.status).toBe(200)
    const { record } = await see(ines, home.path)
    expect(record.levels).toContainEqual({ studentId: child.id, about: skill, symbol })
    expect(teacherOf(record, 'music', child.id)).toBe('Tobias Renn')
    const other = record.students.find(({ usedName }) => usedName === 'Finn')?.id ?? ''
    const notHere = { ...level, studentId: other, was: null }
    expect((await tobias('PUT', `${group.path}/levels`, { levels: [notHere] })).status).toBe(404)
    expect((await tobias('POST', `/api/events/${done.body.event}/undo`)).status).toBe(200)
  })
})

describe('the home class', () => {
  it('gives a subject over once every child is in a group that is taught, and shares it before', async () => {
    const { id, made } = await makeGroup('Clay and colour', 'art')
    const taken = await takeIn(id, [])
    const settle = async (): Promise<number> => {
      const { record } = await see(ines, home.path)
      const child = record.students.find(({ usedName }) => usedName === 'Finn')?.id ?? ''
      const skill = record.skills.find(({ subject }) => subject === 'art')?.id ?? ''
      const was = record.levels.find((each) => each.studentId === child && each.about === skill)?.symbol ?? null
      const level = { kind: 'skill', studentId: child, about: skill, symbol: was === '2' ? '3' : '2', was }
      return (await ines('PUT', `${home.path}/levels`, { levels: [level] })).status
    }
    expect(await settle()).toBe(200)
    const given = await give('marek', id, 'art')
    expect(given.status).toBe(200)
    expect(await settle()).toBe(403)
    expect((await see(ines, home.path)).may.subjects).not.toContain('art')
    const { students } = await rosterOf(id)
    const { id: studentId, from, to } = students.find(({ usedName }) => usedName === 'Finn') ?? {}
    const yesterday = addDays(home.answer.today, -1)
    const moved = await philippa<Done>('POST', `${home.yearPath}/classes/${id}/moves`, {
      ...{ studentId, lastDay: yesterday, to: null },
      was: { from, to },
    })
    expect(moved.status).toBe(200)
    expect(await settle()).toBe(200)
    for (const each of [moved, given, taken, { body: made.body }]) await undo(each)
    expect((await classes()).map(({ name }) => name)).not.toContain('Clay and colour')
  })
})

describe('what a group is not', () => {
  it('is taught nothing else, has no home teacher, and is never a home class that somebody moves to', async () => {
    const group = (await classes()).find(({ name }) => name === strings)
    const refused = await Promise.all([give('marek', group?.id ?? '', 'art'), give('marek', group?.id ?? '', null)])
    expect(refused.map(({ status }) => status)).toEqual([422, 422])
    const { students } = await rosterOf(group?.id ?? '')
    const move = { studentId: students[0]?.id, lastDay: home.answer.today, was: { from: null, to: null } }
    const from = home.answer.record.classRoom.id
    const answer = await philippa<Done>('POST', `${home.yearPath}/classes/${group?.id}/moves`, { ...move, to: from })
    expect([answer.status, answer.body.message]).toEqual([
      422,
      'A child goes from one home class to another, or between groups of one subject.',
    ])
  })

  it('is of a subject that there is, and keeps it when it is called something else', async () => {
    const wrong = { id: randomUUID(), name: 'Choir', was: null, subject: 'singing' }
    expect((await philippa('PUT', `${home.yearPath}/classes`, wrong)).status).toBe(404)
    const group = (await classes()).find(({ name }) => name === strings)
    const renamed = await philippa<Done>('PUT', `${home.yearPath}/classes`, {
      ...{ id: group?.id, name: 'River strings and drums', was: strings, subject: null },
    })
    expect(renamed.status).toBe(200)
    expect((await classes()).find(({ id }) => id === group?.id)).toMatchObject({ subject: 'music' })
    await undo(renamed)
  })

  it('does not keep a child from the home class: leaving one mid-term leaves the other as it was', async () => {
    const group = (await classes()).find(({ name }) => name === strings)
    const { students } = await rosterOf(home.answer.record.classRoom.id)
    const rosa = students.find(({ usedName }) => usedName === 'Rosa')
    const moved = await philippa<Done>('POST', `${home.yearPath}/classes/${home.answer.record.classRoom.id}/moves`, {
      ...{ studentId: rosa?.id, lastDay: addDays(home.answer.today, -1) },
      ...{ to: (await classes()).find(({ name }) => name === '6 Rowan')?.id, was: { from: null, to: null } },
    })
    expect(moved.status).toBe(200)
    expect((await see(ines, home.path)).record.students.map(({ usedName }) => usedName)).not.toContain('Rosa')
    expect((await juniper(marek, '6 Rowan')).answer.record.students.map(({ usedName }) => usedName)).toContain('Rosa')
    const { record } = (await juniper(tobias, strings)).answer
    expect(record.students.map(({ usedName }) => usedName)).toContain('Rosa')
    expect(record.classRoom.id).toBe(group?.id)
    await undo(moved)
  })

  it('is offered to the next year behind the home classes', async () => {
    const { body } = await philippa<YearToFollow>('GET', `${home.yearPath}/next`)
    expect(body.classes.map(({ name, subject }) => [name, subject]).at(-1)).toEqual([strings, 'music'])
  })
})
