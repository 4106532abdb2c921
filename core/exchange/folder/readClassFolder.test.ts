import { expect, it } from 'vitest'
import { before, classRoom, days, files, folderOf, school, term, without } from '../../../tests/exampleFolder'
import { she, they } from '../../people/pronouns'
import { usualCheckSettings } from '../../school/checkSettings'
import { readClassFolder } from './readClassFolder'

const level = (symbol: string, name: string, familySentence: string, tier: string, lowestPercent: number | null) => ({
  symbol,
  name,
  familySentence,
  tier,
  lowestPercent,
})

it('a class’s folder is read whole', () => {
  const { record, problems } = readClassFolder(folderOf(files))
  expect(problems).toEqual([])
  expect(record).toEqual({
    school: { ...school, checks: usualCheckSettings },
    classRoom: { id: '5 Willow', ...classRoom },
    term: { id: 'Spring term', yearId: '2027', ...term, ...days },
    teachers: { sums: 'Tom Rush', art: '' },
    layout: { key: 'l', title: 'Report', paper: 'A4', marks: 'level', parts: ['subjects'] },
    scales: [
      {
        key: 'm',
        name: 'Marks',
        kind: 'mark',
        levels: [level('A', 'Good', 'Went well.', 'top', 50.5), level('B', 'Fair', 'Went on.', 'growing', 0)],
      },
      {
        key: 's',
        name: 'Levels',
        kind: 'skill',
        levels: [level('2', 'Sure', 'Sure of it.', 'top', null), level('1', 'New', 'New to it.', 'starting', null)],
      },
    ],
    subjects: [
      { key: 'sums', name: 'Sums', inSentence: 'Sums', markScale: 'm', skillScale: 's' },
      { key: 'art', name: 'Art and craft', inSentence: 'art', markScale: 'm', skillScale: 's' },
    ],
    skills: [
      {
        id: 'n1',
        subject: 'sums',
        strand: 'Number',
        statement: 'Adds',
        familyWords: 'Adds numbers',
        inSentence: 'adding numbers',
        does: '',
        grades: null,
        teacherOnly: false,
      },
      {
        id: 'n2',
        subject: 'sums',
        strand: 'Number',
        statement: 'Screens',
        familyWords: 'Screens',
        inSentence: '',
        does: '',
        grades: null,
        teacherOnly: true,
      },
    ],
    habits: [{ key: 'care', name: 'Taking care', familyWords: 'Takes care', scale: 's' }],
    students: [
      {
        id: '7',
        schoolNumber: '7',
        legalGiven: 'Amaya',
        usedName: 'Maya',
        family: 'Reed',
        pronouns: she,
        gradeLevel: '5',
      },
      {
        id: '8',
        schoolNumber: '8',
        legalGiven: 'Sam',
        usedName: 'Sam',
        family: 'Stone',
        pronouns: they,
        gradeLevel: '5',
      },
    ],
    categories: [
      { subject: 'sums', key: 'Quizzes', name: 'Quizzes', weight: 60, isExam: false },
      { subject: 'sums', key: 'Work', name: 'Work', weight: 40, isExam: false },
    ],
    attendance: [{ studentId: '7', daysOpen: 40, absences: 2, lates: 1 }],
    observations: [
      {
        ...{ id: 'note 1', studentId: '7', date: '2027-02-03', kind: 'skill', about: 'n1', symbol: null },
        ...{ text: 'Counted the beams.', mayTell: true, by: null, own: false },
      },
      {
        ...{ id: 'note 2', studentId: '8', date: '2027-02-04', kind: null, about: '', symbol: null },
        ...{ text: 'Was tired.', mayTell: false, by: null, own: false },
      },
    ],
    questions: [],
    answers: [],
    practice: [],
    comments: [],
    accepted: [],
    namesInYear: [],
    marks: [
      { studentId: '7', subject: 'sums', percent: 71.5, special: null, reason: 'She did more' },
      { studentId: '8', subject: 'sums', percent: null, special: 'incomplete', reason: null },
    ],
    levels: [
      { studentId: '7', about: 'n1', symbol: '2' },
      { studentId: '8', about: 'n1', symbol: 'NA' },
    ],
    habitScores: [{ studentId: '7', about: 'care', symbol: '1' }],
    earlier: [
      {
        term: { id: 'Autumn term', yearId: '2027', ...before },
        comments: [],
        marks: [{ studentId: '7', subject: 'sums', percent: 60, special: null, reason: null }],
        levels: [{ studentId: '7', about: 'n1', symbol: '1' }],
        habitScores: [{ studentId: '8', about: 'care', symbol: '2' }],
      },
    ],
    boxes: [
      {
        key: 'general',
        name: 'General',
        subject: null,
        limit: 300,
        tone: 'warm',
        plan: [{ part: 'habit', about: 'care', when: null, sharesSentence: false }],
      },
      {
        key: 'sums',
        name: 'Sums',
        subject: 'sums',
        limit: 200,
        tone: '',
        plan: [{ part: 'outcome', about: 'Number', when: null, sharesSentence: false }],
      },
    ],
    phrasebook: {
      phrases: [
        {
          id: 'p1',
          subject: 'sums',
          part: 'outcome',
          about: 'Number',
          tiers: ['top'],
          uneven: false,
          moves: [],
          text: '{Name} adds.',
          tone: '',
          claims: null,
          grades: null,
          owner: null,
        },
      ],
      describing: { top: ['superb', 'fine'], sound: ['steady'], strong: [], growing: [], starting: [] },
    },
    work: [
      {
        id: 'sums/Quiz one',
        subject: 'sums',
        title: 'Quiz one',
        category: 'Quizzes',
        date: '2027-02-01',
        outOf: 10,
        weight: 1,
        counts: true,
      },
      {
        id: 'sums/Sheet',
        subject: 'sums',
        title: 'Sheet',
        category: 'Work',
        date: '2027-02-08',
        outOf: 20,
        weight: 1,
        counts: true,
      },
    ],
    results: [
      { workId: 'sums/Quiz one', studentId: '7', state: 'scored', score: 8, remark: '' },
      { workId: 'sums/Quiz one', studentId: '8', state: 'scored', score: 6, remark: '' },
      { workId: 'sums/Sheet', studentId: '7', state: 'scored', score: 15, remark: '' },
      { workId: 'sums/Sheet', studentId: '8', state: 'missing', score: null, remark: '' },
    ],
  })
})

it('what may be absent may be absent: nothing settled, no term before, no attendance, no gradebook', () => {
  const few = without(
    ...Object.keys(files).filter((name) => /attendance|marks|levels|scores|describing|gradebook|notes/.test(name)),
  )
  const head = JSON.stringify({
    school: { ...school, checks: usualCheckSettings },
    classRoom,
    term: { ...term, ...days },
  })
  const { record, problems } = readClassFolder(folderOf({ ...few, 'class.json': head, 'notes.txt': 'Not ours.' }))
  expect(problems).toEqual([])
  expect(record).toMatchObject({ earlier: [], marks: [], levels: [], habitScores: [], attendance: [], work: [] })
  expect(record?.observations).toEqual([])
})
