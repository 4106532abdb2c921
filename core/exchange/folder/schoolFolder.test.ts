import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { always, child, colleague, filesOf, inSpring, own, read, rows, setup, year } from '../../../tests/exampleYear'
import { randomYear } from '../../../tests/randomYear'
import type { FolderRows } from './recordFiles'

const problemsOf = (change: Partial<FolderRows>): string[] =>
  read(filesOf({ ...rows(), ...change })).problems.map(({ file, row, column, reason }) =>
    [file, row, column, reason].join('|'),
  )

describe('a year in files', () => {
  it('comes in as it went out, every row and every phrase', () => {
    const { folder, problems } = read(filesOf(rows()))
    expect(problems).toEqual([])
    expect(folder?.rows).toEqual(rows())
    expect([folder?.year, folder?.ownPhrases, folder?.setup]).toEqual([year, own, setup()])
    expect([...(folder?.retired.skills ?? [])]).toEqual(['s2'])
  })

  it('of any school comes in as it went out: what may be typed may be in a folder', () => {
    fc.assert(
      fc.property(randomYear, (school) => {
        const { folder, problems } = read(filesOf(school.rows, school.year))
        expect(problems).toEqual([])
        expect([folder?.rows, folder?.year]).toEqual([school.rows, school.year])
      }),
    )
  })

  it('from before, in which the exam was a category by its name, has that category as the exam', () => {
    const files = filesOf(rows())
    const school = {
      ...setup().school,
      markRules: { ...setup().school.markRules, exam: { category: 'QUIZZES ', weighs: 40 } },
    }
    files.set('school.json', JSON.stringify(school))
    files.set('categories.csv', (files.get('categories.csv') ?? '').replace(/,exam\b/, '').replace(/,(?=\r?\n$)/, ''))
    const { folder } = read(files)
    expect(folder?.rows.categories.map(({ isExam }) => isExam)).toEqual([true])
    expect(folder?.setup.school.markRules.exam).toEqual({ weighs: 40 })
  })

  it('keeps texts to the letter, whatever they are', () => {
    const letters = fc.oneof(
      fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 }),
      fc.constantFrom(
        ' blank ',
        '"quoted"',
        '"',
        "'=1",
        '=1',
        '\t@x',
        'a\r\nb',
        '\r',
        '{"a":1}',
        '-5',
        '+',
        'עברית',
        '…,;|',
      ),
    )
    fc.assert(
      fc.property(letters, letters, (one, other) => {
        const [text, remark] = [one, other].map((each) =>
          each.replaceAll('\0', '').replaceAll('\ufeff', '').normalize('NFC'),
        )
        const [comment] = rows().comments
        const [result] = rows().results
        if (!comment || !result) throw new Error('nothing to write')
        const changed = { comments: [{ ...comment, text: text ?? '' }], results: [{ ...result, remark: remark ?? '' }] }
        const { folder, problems } = read(filesOf({ ...rows(), ...changed }))
        expect(problems).toEqual([])
        expect([folder?.rows.comments, folder?.rows.results]).toEqual([changed.comments, changed.results])
      }),
    )
  })

  it.each<[string, Partial<FolderRows>, string]>([
    [
      'a class that is not there',
      { classes: [{ name: '5 Ash', group: null }] },
      'enrolments.csv|5|class|“5 Elm” is none of the classes in classes.csv.',
    ],
    [
      'a term that is not there',
      { attendance: [{ term: 'Summer', number: '1', daysOpen: 1, absences: 0, lates: 0 }] },
      'attendance.csv|2|term|“Summer” is none of the terms in year.json.',
    ],
    [
      'a skill that is not there',
      { levels: [{ ...inSpring, about: 's9', symbol: '2', proposed: null }] },
      'levels.csv|2|skill|“s9” is none of the skills in skills.csv.',
    ],
    [
      'nobody',
      { accepted: [{ ...inSpring, box: 'sums', check: 'too long', found: 'adds', by: 'eve' }] },
      'accepted.csv|2|signs in as|“eve” is none of the people in people.csv.',
    ],
    [
      'an answer to a question that is not there',
      { answers: [{ work: 'w', number: '1', question: 3, score: 1 }] },
      'answers.csv|2|question|There is no question 3 of this work.',
    ],
    [
      'more than a question is out of',
      { answers: [{ work: 'w', number: '1', question: 1, score: 4.5 }] },
      'answers.csv|2|score|This question is out of 4.',
    ],
    [
      'a photo that is none',
      { photos: [{ number: '1', jpeg: 'iVBORw0KGgo=' }] },
      'photos.csv|2|JPEG as base64|This is no JPEG picture.',
    ],
    [
      'a child twice',
      { students: [...rows().students, child('3', 'Kit')] },
      'students.csv|5|number|“3” stands in row 4 already.',
    ],
    [
      'days out of order',
      {
        teaching: [
          { room: '5 Ash', subject: null, person: 'ada', secondReader: false, from: '2027-02-01', to: '2027-01-01' },
        ],
      },
      'teaching.csv|2|to|The last day comes before the first.',
    ],
    [
      'a group that is taught something else',
      {
        classes: [...rows().classes, { name: 'Strings', group: 'sums' }],
        teaching: [{ room: 'Strings', subject: null, person: 'ada', secondReader: false, ...always }],
      },
      'teaching.csv|2|subject|“Strings” is a group of sums, and is taught nothing else.',
    ],
    [
      'a group of nothing that there is',
      { classes: [...rows().classes, { name: 'Strings', group: 'music' }] },
      'classes.csv|4|group of|“music” is none of the subjects in subjects.csv.',
    ],
    [
      'no mark',
      { marks: [{ ...inSpring, subject: 'sums', percent: null, special: null, reason: null, proposed: null }] },
      'marks.csv|2|mark|There is a mark or something in its place.',
    ],
    [
      'two marks',
      { marks: [{ ...inSpring, subject: 'sums', percent: 5, special: 'absent', reason: null, proposed: null }] },
      'marks.csv|2|mark|There is a mark or something in its place.',
    ],
    [
      'a word in a mark’s place',
      { marks: [{ ...inSpring, subject: 'sums', percent: null, special: 'ill', reason: null, proposed: null }] },
      'marks.csv|2|in its place|“ill” stands for no mark.',
    ],
    [
      'a score on no scale',
      { habitScores: [{ ...inSpring, about: 'care', symbol: '2', proposed: null }] },
      'habit-scores.csv|2|score|“2” is on no scale.',
    ],
    [
      'a level on no scale',
      { levels: [{ ...inSpring, about: 's1', symbol: 'o', proposed: null }] },
      'levels.csv|2|level|“o” is on no scale.',
    ],
    [
      'work twice',
      {
        work: [
          ...rows().work,
          {
            id: 'x',
            room: '5 Ash',
            term: 'Spring',
            subject: 'sums',
            title: 'QUIZ',
            category: 'q',
            date: null,
            outOf: 1,
            weight: 1,
            counts: true,
          },
        ],
      },
      'work.csv|4|title|There is a piece of work “QUIZ” before, of the same class, term and subject.',
    ],
    [
      'somebody twice',
      { people: [...rows().people, colleague('ADA', 'Eve')] },
      'people.csv|4|signs in as|Somebody before signs in as “ADA” too.',
    ],
  ])('%s is told with file, row and column', (_, change, expected) => {
    expect(problemsOf(change)).toContain(expected)
  })

  it.each([
    ['2027-01-01', null],
    [null, '2027-01-01'],
    ['2027-01-01', '2027-01-01'],
  ])('days from %s to %s are in order', (from, to) => {
    expect(problemsOf({ enrolments: [{ room: '5 Ash', number: '1', place: 0, grade: '5', from, to }] })).toEqual([])
  })

  it.each([
    ['people.csv', 'coordinator', 'headmaster', 'role|It is none of: teacher, coordinator.'],
    ['people.csv', '4-6', '6-4', 'of grades|It is no range of grades, as in 4-6.'],
    ['people.csv', '""dark""', '""dark', 'settings|It is not as Facunda writes it.'],
    ['notes.csv', '2027-02-03', '2027-02-31', 'day|Write a day as 2026-08-31.'],
    ['enrolments.csv', '2027-02-01', 'February', 'from|Write a day as 2026-08-31.'],
    ['contacts.csv', ',2,', ',12,', 'household|A household is a number from 1 to 9.'],
    ['contacts.csv', 'pt-BR', '??', 'language|Write a language as a tag: en, pt-BR, ar.'],
    ['results.csv', '7.5', '-7', 'score|A score is a number from 0 to 100,000.'],
    ['work.csv', '12.5', '0', 'out of|The most that can be reached is a number from 0.01 to 100,000.'],
    [
      'students.csv',
      'she/her',
      'sher',
      'pronouns|Write pronouns as she/her, he/him, they/them, name only, or all five cases.',
    ],
    ['classes.csv', '5 Elm', '', ''],
    // A folder from before there were groups.
    ['classes.csv', 'class,group of', 'class', ''],
  ])('%s with %s written as %s', (file, from, to, expected) => {
    const files = filesOf(rows())
    files.set(file, (files.get(file) ?? '').replace(from, to))
    const told = read(files).problems.filter((problem) => problem.file === file)
    expect(told.map(({ column, reason }) => `${column}|${reason}`)).toEqual(expected === '' ? [] : [expected])
  })
})
