import { describe, expect, it } from 'vitest'
import { always, filesOf, read, rows, year } from '../../../tests/exampleYear'
import { classOfSchoolFolder } from './classOfSchoolFolder'
import { yearFile } from './schoolFolder'

describe('a class of it', () => {
  const of = (room: string, term: string) => {
    const { folder } = read(filesOf(rows()))
    return folder ? classOfSchoolFolder(folder, { room, term }) : undefined
  }
  it('has who belonged there, in the order of the list, and who taught', () => {
    const [autumn, spring, elm] = [of('5 Ash', 'Autumn'), of('5 Ash', 'Spring'), of('5 Elm', 'Spring')]
    const names = [autumn, spring, elm].map((each) => each?.students.map(({ usedName }) => usedName))
    expect(names).toEqual([['Maya', 'Sam', 'Kit'], ['Maya', 'Sam'], ['Kit']])
    expect([autumn?.teachers, spring?.teachers, spring?.classRoom.teacher]).toEqual([
      {},
      { sums: 'Bea Moss' },
      'Ada Moss',
    ])
    expect([spring?.namesInYear, elm?.namesInYear]).toEqual([['Kit'], ['Maya', 'Sam']])
  })
  it('has its own work, what is settled, what was before, and the room of its lowest grade', () => {
    const spring = of('5 Ash', 'Spring')
    expect(spring?.work.map(({ id }) => id)).toEqual(['w'])
    expect(spring?.results).toEqual([{ workId: 'w', studentId: '1', state: 'late', score: 7.5, remark: ' "late" ' }])
    expect(spring?.marks).toEqual([
      { studentId: '1', subject: 'sums', percent: 82.5, special: null, reason: 'seen', proposed: 80.25 },
    ])
    expect(spring?.earlier.map(({ term, marks, levels }) => [term.name, marks[0]?.special, levels[0]?.symbol])).toEqual(
      [['Autumn', 'absent', 'NA']],
    )
    expect(spring?.comments[0]?.sentences[0]).toMatchObject({ composed: 'Maya adds.', because: [{ termId: 'Spring' }] })
    expect(spring?.observations).toEqual([
      {
        ...{ id: 'n', studentId: '1', date: '2027-02-03', kind: 'habit', about: 'care', text: ' =careful\r\n' },
        ...{ symbol: 'o', mayTell: true, by: null, own: false },
      },
    ])
    expect([spring?.boxes[0]?.limit, of('5 Elm', 'Spring')?.boxes[0]?.limit]).toEqual([90, 300])
    expect(spring?.skills.map(({ id }) => id)).toEqual(['s1', 's3'])
  })
  it('of a group has its children, its subject, and nothing that belongs to the class', () => {
    const place = { place: 0, grade: '4', ...always }
    const { folder } = read(
      filesOf({
        ...rows(),
        classes: [...rows().classes, ...['Strings', 'Winds'].map((name) => ({ name, group: 'sums' }))],
        enrolments: [
          ...rows().enrolments,
          { ...place, room: 'Strings', number: '3' },
          { ...place, room: 'Strings', number: '1', to: '2027-02-10' },
          { ...place, room: 'Winds', number: '1', from: '2027-02-11' },
        ],
        teaching: [
          ...rows().teaching,
          { room: 'Winds', subject: 'sums', person: 'bea', secondReader: false, ...always },
        ],
      }),
    )
    const see = (room: string) => folder && classOfSchoolFolder(folder, { room, term: 'Spring' })
    const [group, winds, home] = ['Strings', 'Winds', '5 Ash'].map(see)
    // Maya went on to another group of the subject; Kit’s change of home class is nothing to the group.
    expect([group, winds].map((each) => each?.students.map(({ usedName }) => usedName))).toEqual([['Kit'], ['Maya']])
    expect([group?.habits, group?.boxes.map(({ key }) => key), group?.subjects.map(({ key }) => key)]).toEqual([
      [],
      ['sums'],
      ['sums'],
    ])
    expect(home?.students.map(({ usedName }) => usedName)).toEqual(['Maya', 'Sam'])
    expect([home?.groups, group?.groups, home?.habits.length]).toEqual([
      [{ name: 'Winds', subject: 'sums', teacher: 'Bea Moss', students: ['1'] }],
      [],
      1,
    ])
  })
  it('has nothing of another class or term; terms before, the latest first, in whatever order they stand', () => {
    const [autumn, spring] = year.terms
    const summer = {
      name: 'Summer',
      starts: '2027-04-12',
      ends: '2027-07-20',
      commentsDue: '2027-07-01',
      locks: '2027-07-25',
    }
    const files = filesOf({
      ...rows(),
      categories: [
        ...rows().categories,
        { room: '5 Elm', subject: 'sums', key: 'x', name: 'Exams', weight: 9, isExam: false },
      ],
      work: rows().work.map((each) => ({ ...each, term: each.id === 'w' ? 'Autumn' : 'Summer', room: '5 Ash' })),
      teaching: [
        { room: '5 Elm', subject: null, person: 'bea', secondReader: false, ...always },
        { room: '5 Ash', subject: null, person: 'ada', secondReader: false, from: null, to: '2027-07-20' },
        { room: '5 Ash', subject: 'sums', person: 'bea', secondReader: false, from: '2027-07-20', to: null },
        { room: '5 Ash', subject: 'sums', person: 'ada', secondReader: false, from: null, to: '2027-07-19' },
      ],
    })
    files.set(yearFile, JSON.stringify({ ...year, terms: [spring, summer, autumn] }))
    const { folder, problems } = read(files)
    expect(problems).toEqual([])
    const here = folder ? classOfSchoolFolder(folder, { room: '5 Ash', term: 'Summer' }) : undefined
    expect(here?.earlier.map(({ term }) => term.name)).toEqual(['Spring', 'Autumn'])
    expect(here?.work.map(({ id }) => id)).toEqual(['v'])
    expect(here?.categories).toEqual([{ subject: 'sums', key: 'q', name: 'Quizzes', weight: 2.5, isExam: false }])
    expect([here?.classRoom.teacher, here?.teachers]).toEqual(['Ada Moss', { sums: 'Bea Moss' }])
    expect(of('5 Ash', 'Spring')?.accepted).toEqual([
      { studentId: '1', box: 'sums', check: 'too long', words: 'adds', by: 'bea' },
    ])
    expect(of('5 Ash', 'Spring')?.students[0]?.pronouns).toMatchObject({ subject: 'she' })
  })
  it('is none where there is no such class or term', () => {
    expect([of('5 Oak', 'Spring'), of('5 Ash', 'Summer')]).toEqual([undefined, undefined])
  })
})
