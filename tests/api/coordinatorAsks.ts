import { randomUUID } from 'node:crypto'
import type { DemoPlace } from './school'

const keptForUsually = { openings: 365, filesLeft: 14, filesTaken: 365, reports: 1825, events: 1095 }

type Ask = () => [method: string, path: string, body?: object]

/**
 * What the coordinator asks of the school's own classes and set-up, and nobody else may; each changes nothing. Where
 * the coordinator is refused too, for another reason, the status says so.
 */
export function coordinatorAsks(place: () => DemoPlace): [what: string, ask: Ask, status?: number][] {
  const year = (): string => place().yearPath
  const roster = (): string => `${year()}/classes/${place().answer.record.classRoom.id}/students`
  const gone = (body: object): object => ({ id: randomUUID(), was: null, ...body })
  const unchanged = (): object => {
    const { id, schoolNumber, legalGiven, usedName, family, gradeLevel } = place().student('Finn')
    const student = { schoolNumber, legalGiven, usedName, family, gradeLevel, pronouns: 'he/him', from: null, to: null }
    return { id, student, was: student, position: 0 }
  }
  const openAgain = (): object => {
    const days = { from: '2026-10-01', to: '2026-10-02' }
    const reopening = { termId: randomUUID(), classId: null, subject: 'art', ...days, reason: 'A result came in' }
    return { id: randomUUID(), reopening, was: null }
  }
  const sameHabit = (): object => {
    const row = { ...place().answer.record.habits[0], position: 0, retired: false }
    return { kind: 'habit', row, was: row }
  }
  const sameSchool = (): object => {
    const { school, layout } = place().answer.record
    const { checks: _checks, ...own } = school
    return { ...own, layout }
  }
  return [
    ['see the school’s classes', () => ['GET', `${year()}/classes`]],
    ['see the school’s years', () => ['GET', '/api/years']],
    ['take the year away', () => ['DELETE', year()], 422],
    ['take a OneRoster bundle in', () => ['POST', `${year()}/bundle`, {}], 422],
    ['see what a next year is made from', () => ['GET', `${year()}/next`]],
    ['see what of a locked term is open again', () => ['GET', `${year()}/reopenings`]],
    ['open a term of another year again', () => ['PUT', `${year()}/reopenings`, openAgain()], 404],
    ['see a class list', () => ['GET', roster()]],
    ['see a class’s contacts', () => ['GET', roster().replace('/students', '/contacts')]],
    ['see the set-up’s rows', () => ['GET', `${year()}/setup/rows`]],
    ['take away a class that is not there', () => ['PUT', `${year()}/classes`, gone({ name: null })]],
    ['take away a term that is not there', () => ['PUT', `${year()}/terms`, gone({ term: null })]],
    ['leave a student as they are', () => ['PUT', roster(), { students: [unchanged()] }]],
    ['see who may see what', () => ['GET', '/api/rights']],
    ['keep things as long as before', () => ['PUT', '/api/retention', { days: keptForUsually, was: keptForUsually }]],
    ['look after a child', () => ['GET', `/api/students/${place().student('Finn').id}/privacy`]],
    ['save all that is kept of a child', () => ['GET', `/api/students/${place().student('Finn').id}/data`]],
    [
      'take away a contact who is not there',
      () => ['PUT', '/api/contacts', { contacts: [gone({ studentId: place().student('Finn').id, contact: null })] }],
    ],
    [
      'move a child who is not in the class',
      () => [
        'POST',
        `${year()}/classes/${place().answer.record.classRoom.id}/moves`,
        { studentId: randomUUID(), lastDay: '2026-10-01', to: null, was: { from: null, to: null } },
      ],
      404,
    ],
    [
      'erase a child by another’s number',
      () => ['POST', `/api/students/${place().student('Finn').id}/erase`, { reason: 'none', schoolNumber: 'not this' }],
      422,
    ],
    ['throw the demo away by another name', () => ['POST', '/api/demo/leave', { name: 'Elsewhere' }], 422],
    ['leave the school as it is', () => ['PUT', `${year()}/school`, { school: sameSchool(), was: sameSchool() }]],
    ['leave a habit as it is', () => ['PUT', `${year()}/setup/rows`, { changes: [sameHabit()] }]],
  ]
}
