import { describe, expect, it } from 'vitest'
import { planYear, type BundlePeople, type YearHere } from './planYear'
import type { BundleRow } from './readBundle'

// How a bundle's people, classes and terms are matched with a year that stands. Cases written by hand.

const rows = (text: string): BundleRow[] => {
  const [head = '', ...lines] = text.trim().split('\n')
  const headings = head.split('|').map((heading) => heading.trim())
  return lines.map((line) => {
    const cells = line.split('|').map((cell) => cell.trim())
    return (heading) => cells[headings.indexOf(heading)] ?? ''
  })
}
const student = (id: string, schoolNumber: string, legalGiven: string, family: string) => ({
  ...{ id, schoolNumber, legalGiven, usedName: legalGiven, family },
})
const here: YearHere = {
  terms: [
    { id: 't1', name: 'Autumn term', starts: '2026-08-31', ends: '2026-12-18' },
    { id: 't2', name: 'Spring term', starts: '2027-01-11', ends: '2027-03-26' },
  ],
  subjects: [
    { key: 'sums', name: 'Sums' },
    { key: 'music', name: 'Music' },
  ],
  classes: [
    { id: 'ash', name: '5 Ash', group: null },
    { id: 'strings', name: 'Strings', group: 'music' },
  ],
  students: [student('maya', '05', 'Maya', 'Reed'), student('sam', '6', 'Sam', 'Reed')],
  places: [{ classId: 'ash', studentId: 'maya' }],
}
const nothing: BundlePeople = { academicSessions: [], courses: [], classes: [], users: [], roles: [], enrollments: [] }
function planned(bundle: Partial<BundlePeople>) {
  let next = 0
  return planYear({ ...nothing, ...bundle }, here, () => `new${(next += 1)}`)
}

describe('a bundle beside a year', () => {
  it('finds terms by name, else by their days, and leaves the others alone', () => {
    const academicSessions = rows(`sourcedId|title|startDate|endDate
      a|autumn TERM|2020-01-01|2020-02-01
      b|Period 3|2027-01-15|2027-02-20
      c|2026-27|2026-08-31|2027-07-02
      d|Other||`)
    expect([...planned({ academicSessions }).terms]).toEqual([
      ['a', 't1'],
      ['b', 't2'],
    ])
  })

  it('bounds the name of a class that is made, not the words that only say which is meant', () => {
    const long = 'Sums, the long way round, in the third period of the morning, room 204'
    const { rooms, newClasses, leftOut } = planned({
      classes: rows(`sourcedId|title|classType
        a|${long}|scheduled
        b|${long} ${'x'.repeat(60)}|scheduled
        c|${'6 Elm '.repeat(12)}|homeroom`),
      users: rows('sourcedId|role|givenName|familyName|identifier\nu1|student|Maya|Reed|05'),
      enrollments: rows('classSourcedId|userSourcedId|role\na|u1|student'),
    })
    expect([...rooms]).toEqual([['a', { classId: 'ash', subject: 'sums' }]])
    expect(newClasses).toEqual([])
    expect(leftOut).toEqual([
      expect.stringMatching(/^2 classes without a name, or with a longer one than is kept: 6 Elm/),
    ])
  })

  it('knows children by number, else by name; makes the new ones; guesses nobody; takes no teachers', () => {
    const { students, newStudents, leftOut } = planned({
      users: rows(`sourcedId|role|givenName|familyName|identifier|preferredGivenName|pronouns
        u1|student|Maya|Reed|5||
        u2|student|Sam|Reed|||
        u3|student|Zoë|Bae|9|Zo|she/her
        u4|student|Kim|Oh|5||
        u5|teacher|Ada|Moss|70||
        u6||Lee|Park|11||`),
      roles: rows('userSourcedId|role\nu6|student'),
    })
    expect([...students]).toEqual([
      ['u1', 'maya'],
      ['u2', 'sam'],
      ['u3', 'new1'],
      ['u6', 'new2'],
    ])
    expect(newStudents.map((each) => [each.schoolNumber, each.usedName, each.pronouns])).toEqual([
      ['9', 'Zo', 'she/her'],
      ['11', 'Lee', 'name only'],
    ])
    expect(leftOut).toEqual([
      '1 child who could be somebody else here: Kim Oh (5). Give them the school’s number in the bundle.',
    ])
  })

  it('puts work where its class says: a home class, the subject of one, a group, or the class that its pupils are in', () => {
    const plan = planned({
      users: rows('sourcedId|role|givenName|familyName|identifier\nu1|student|Maya|Reed|5\nu3|student|Zoë|Bae|9'),
      courses: rows('sourcedId|title\nc1|Sums\nc2|Music\nc3|Fencing'),
      classes: rows(`sourcedId|title|courseSourcedId|classType|grades
        k1|5 Ash, Sums|c1|scheduled|05
        k2|Strings|c2|scheduled|
        k3|Sums|c1|scheduled|
        k4|6 Elm: Music|c2|scheduled|06
        k5|Choir|c2|scheduled|
        k6|Foils|c3|scheduled|
        k7|6 Elm||homeroom|06`),
      enrollments: rows(`classSourcedId|userSourcedId|role
        k3|u1|student
        k5|u1|student
        k5|u3|student
        k7|u3|student
        k4|u3|student
        k4|t1|teacher`),
    })
    expect([...plan.rooms].map(([id, { classId, subject }]) => `${id} ${classId} ${subject}`).sort()).toEqual([
      'k1 ash sums',
      'k2 strings music',
      'k3 ash sums',
      'k4 new2 music',
      'k5 new3 music',
    ])
    expect(plan.newClasses).toEqual([
      { id: 'new2', name: '6 Elm', group: null },
      { id: 'new3', name: 'Choir', group: 'music' },
    ])
    expect(plan.newPlaces.map((each) => `${each.classId} ${each.studentId} ${each.grade}`)).toEqual([
      'new3 maya ',
      'new3 new1 ',
      'new2 new1 6',
    ])
    expect(plan.leftOut).toEqual([
      '1 class of no subject that is taught here: Foils. Add the subject in School, or call it as the bundle does.',
    ])
  })
})
