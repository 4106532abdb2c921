import type { StudentComment } from '../core/record/termRecord'
import { usualCheckSettings } from '../core/school/checkSettings'
import { usualSchoolMarkRules } from '../core/marks/markRules'
import { readPlan } from '../core/narrative/plan'
import { she, they } from '../core/people/pronouns'
import type { ClassRecord } from '../core/record/classRecord'
import type { Student } from '../core/record/roster'
import type { Scale } from '../core/scales/scale'
import type { Tier } from '../core/scales/tier'

const level = (symbol: string, tier: Tier, lowestPercent: number | null): Scale['levels'][number] => ({
  symbol,
  name: `level ${symbol}`,
  familySentence: `What ${symbol} means.`,
  tier,
  lowestPercent,
})
const student = (id: string, usedName: string, pronouns: Student['pronouns']): Student => ({
  id,
  schoolNumber: `n${id}`,
  legalGiven: usedName,
  usedName,
  family: 'Reed',
  pronouns,
  gradeLevel: '5',
})

const plain = { moves: [], uneven: false, claims: 'level' as const, tone: '', grades: null, owner: null }

/** A class of two with one subject, small enough to work everything out by hand. */
export function exampleClass(change: Partial<ClassRecord> = {}): ClassRecord {
  return {
    school: {
      name: 'Willow School',
      place: 'Willow',
      markRules: usualSchoolMarkRules,
      possessives: 'apostrophe and s',
      checks: usualCheckSettings,
    },
    classRoom: { id: 'c', name: '5 Willow', teacher: 'Ada Moss' },
    term: {
      id: 't2',
      name: 'Spring term',
      yearId: 'y',
      year: '2027',
      starts: '2027-01-11',
      ends: '2027-03-26',
      commentsDue: '2027-03-12',
      locks: '2027-03-19',
    },
    earlier: [],
    teachers: {},
    scales: [
      {
        key: 'marks',
        name: 'Marks',
        kind: 'mark',
        levels: [level('A', 'top', 80), level('B', 'strong', 60), level('C', 'sound', 0)],
      },
      {
        key: 'skills',
        name: 'Levels',
        kind: 'skill',
        levels: [level('3', 'top', null), level('2', 'growing', null), level('1', 'starting', null)],
      },
    ],
    subjects: [{ key: 'sums', name: 'Sums', inSentence: 'sums', markScale: 'marks', skillScale: 'skills' }],
    skills: [
      {
        id: 's1',
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
        id: 's2',
        subject: 'sums',
        strand: 'Number',
        statement: 'Divides',
        familyWords: 'Divides numbers',
        inSentence: 'dividing numbers',
        does: '',
        grades: null,
        teacherOnly: false,
      },
      {
        id: 's3',
        subject: 'sums',
        strand: 'Number',
        statement: 'Secret screening',
        familyWords: 'Secret screening',
        inSentence: 'secret screening',
        does: '',
        grades: null,
        teacherOnly: true,
      },
    ],
    habits: [{ key: 'care', name: 'Care', familyWords: 'Works with care', scale: 'skills' }],
    students: [student('1', 'Maya', she), student('2', 'Sam', they)],
    categories: [{ subject: 'sums', key: 'Quizzes', name: 'Quizzes', weight: 1, isExam: false }],
    work: [
      {
        id: 'w2',
        subject: 'sums',
        title: 'Second quiz',
        category: 'Quizzes',
        date: '2027-02-10',
        outOf: 10,
        weight: 1,
        counts: true,
      },
      {
        id: 'w1',
        subject: 'sums',
        title: 'First quiz',
        category: 'Quizzes',
        date: '2027-01-20',
        outOf: 10,
        weight: 1,
        counts: true,
      },
    ],
    results: [
      { workId: 'w1', studentId: '1', state: 'scored', score: 6, remark: '' },
      { workId: 'w2', studentId: '1', state: 'scored', score: 9, remark: '' },
    ],
    marks: [{ studentId: '1', subject: 'sums', percent: 82, special: null, reason: 'secret reason' }],
    levels: [
      { studentId: '1', about: 's1', symbol: '2' },
      { studentId: '1', about: 's2', symbol: '1' },
      { studentId: '1', about: 's3', symbol: '1' },
    ],
    habitScores: [{ studentId: '1', about: 'care', symbol: '2' }],
    attendance: [{ studentId: '1', daysOpen: 40, absences: 2, lates: 1 }],
    observations: [
      {
        ...{ id: 'n1', studentId: '1', date: '2027-02-01', kind: 'habit', about: 'care', text: 'secret note' },
        ...{ symbol: null, mayTell: false, by: null, own: false },
      },
    ],
    questions: [],
    answers: [],
    practice: [],
    boxes: [
      { key: 'general', name: 'General comment', subject: null, limit: 300, tone: '', plan: readPlan('habit care') },
      {
        key: 'sums',
        name: 'Sums',
        subject: 'sums',
        limit: 300,
        tone: '',
        plan: readPlan('opening; outcome Number + outcome mark'),
      },
    ],
    comments: [
      {
        studentId: '1',
        box: 'sums',
        text: 'Maya adds well.',
        sentences: [],
        ownWords: true,
        status: 'finished',
        version: 1,
      },
    ],
    namesInYear: [],
    accepted: [],
    phrasebook: {
      describing: { starting: [], growing: [], sound: [], strong: [], top: [] },
      phrases: [
        {
          id: 'o',
          subject: 'any',
          part: 'opening',
          about: 'any',
          tiers: [],
          text: '{Name} {has} been here all term.',
          ...plain,
        },
        {
          id: 'n-low',
          subject: 'any',
          part: 'outcome',
          about: 'Number',
          tiers: ['starting'],
          text: '{They} {needs} help with numbers.',
          ...plain,
        },
        {
          id: 'n-uneven',
          subject: 'any',
          part: 'outcome',
          about: 'any',
          tiers: ['starting'],
          text: '{They} {is} surer of {#strongest skill} than of {#weakest skill}.',
          ...plain,
          uneven: true,
        },
        {
          id: 'n-ok',
          subject: 'any',
          part: 'outcome',
          about: 'Number',
          tiers: ['sound', 'top'],
          text: '{They} {works} well with numbers.',
          ...plain,
        },
        {
          id: 'm',
          subject: 'any',
          part: 'outcome',
          about: 'mark',
          tiers: ['top'],
          text: '{They} {has} done best in {#best work}.',
          ...plain,
        },
        {
          id: 'm-short',
          subject: 'any',
          part: 'outcome',
          about: 'mark',
          tiers: ['sound'],
          text: '{They} {keeps} up.',
          ...plain,
        },
        {
          id: 'h',
          subject: 'any',
          part: 'habit',
          about: 'care',
          tiers: [],
          text: '{They} {takes} care of {their} work.',
          ...plain,
        },
      ],
    },
    layout: {
      key: 'l',
      title: 'Report card',
      paper: 'A4',
      marks: 'percent and level',
      parts: ['general comment', 'subjects', 'habits', 'attendance', 'scale', 'reflection', 'signatures'],
    },
    ...change,
  }
}

/** A comment in the general box, in the teacher's own words. */
export function exampleComment(studentId: string, text: string, more: Partial<StudentComment> = {}): StudentComment {
  return { studentId, box: 'general', text, sentences: [], ownWords: true, status: 'in draft', version: 1, ...more }
}
