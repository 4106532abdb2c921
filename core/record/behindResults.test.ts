import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { smallestPhoto } from '../../tests/smallestPhoto'
import { largestPhoto, photoProblem } from '../people/photo'
import { practiceByProgram, weekOf, type Practice } from './practice'
import { answered, answerProblem, sumOfAnswers } from './questions'
import { lastSchoolDays, presences, sumsAfter, sumsOfDays } from './register'
import { resultOfAnswers, resultsThatFollow } from './resultOfAnswers'

describe('what lies behind a result', () => {
  const question = (number: number, outOf: number) => ({ workId: 'w', number, words: '', skill: null, outOf })

  it('is told question by question, in the order of the paper', () => {
    const paper = [question(3, 2), question(1, 2), question(2, 2), question(4, 1)]
    const scores = [
      { number: 1, score: 2 },
      { number: 2, score: 0.5 },
      { number: 3, score: 0 },
    ]
    expect(answered(paper, scores).map(({ number, result }) => `${number} ${result}`)).toEqual([
      '1 right',
      '2 partly right',
      '3 not right',
      '4 not answered',
    ])
    expect([sumOfAnswers(scores), sumOfAnswers([])]).toEqual([2.5, null])
  })

  it('is the result as long as nobody gives another, and never takes one that somebody gave', () => {
    const scored = (score: number, remark = '') => ({ state: 'scored' as const, score, remark })
    const after = (sums: [number | null, number | null], result: Parameters<typeof resultOfAnswers>[2], whole = 20) =>
      resultOfAnswers({ before: sums[0], after: sums[1], whole }, 20, result)
    expect(after([null, 17], null)).toEqual(scored(17))
    expect(after([17, 18], scored(17, 'Read it twice.'))).toEqual(scored(18, 'Read it twice.'))
    expect(after([17, 18], scored(19))).toBeUndefined()
    expect(after([null, 18], scored(18))).toBeUndefined()
    expect(after([null, 18], { state: 'excused', score: null, remark: '' })).toBeUndefined()
    expect(after([17, null], scored(17))).toBeNull()
    expect(after([17, null], scored(17, 'Read it twice.'))).toBeUndefined()
    // Questions that do not make up the whole paper say nothing of its result.
    expect(after([null, 17], null, 19)).toBeUndefined()
  })

  it('follows once for each child and paper, and not where the paper is not there or nothing changes', () => {
    const place = (workId: string, studentId: string) => ({ workId, studentId })
    const places = [place('quiz', 'maya'), place('quiz', 'maya'), place('quiz', 'sam'), place('gone', 'maya')]
    const standing = { ...place('quiz', 'maya'), state: 'scored' as const, score: 15, remark: 'Read it twice.' }
    const follow = resultsThatFollow(places, {
      outOfWork: (workId) => (workId === 'quiz' ? 20 : undefined),
      outOfQuestions: () => 20,
      sums: ({ studentId }) => (studentId === 'maya' ? { before: 15, after: 17 } : { before: 3, after: 3 }),
      result: ({ studentId }) => (studentId === 'maya' ? standing : null),
    })
    const result = { state: 'scored', score: 17, remark: 'Read it twice.' }
    expect(follow).toEqual([{ ...place('quiz', 'maya'), result }])
  })

  it('a score is from nought to what its question is out of', () => {
    const question = { number: 2, outOf: 5 }
    expect([0, 2.5, 5].map((score) => answerProblem(score, question))).toEqual([null, null, null])
    for (const score of [-0.5, 5.5, NaN, Infinity])
      expect(answerProblem(score, question)).toBe('Question 2 is out of 5: write a number from 0 to 5.')
  })
})

describe('a register', () => {
  const days = fc.array(fc.constantFrom(...presences), { maxLength: 12 })

  it('keeps the sums of the term for as long as they are its own', () => {
    fc.assert(
      fc.property(days, days, (before, after) => {
        const expected = after.length > 0 ? sumsOfDays(after) : null
        expect(sumsAfter(before, after, before.length > 0 ? sumsOfDays(before) : null)).toEqual(expected)
        const typed = { daysOpen: 80, absences: 3, lates: 0 }
        expect(sumsAfter(before, after, typed)).toBeUndefined()
      }),
    )
    expect(sumsOfDays(['present', 'late', 'absent', 'late'])).toEqual({ daysOpen: 4, absences: 1, lates: 2 })
  })

  it('has the last school days of a term, without weekends, and none before it began', () => {
    const term = { starts: '2027-01-11', ends: '2027-03-26' }
    expect(lastSchoolDays(term, '2027-01-18', 4)).toEqual(['2027-01-13', '2027-01-14', '2027-01-15', '2027-01-18'])
    expect(lastSchoolDays(term, '2027-01-12', 9)).toEqual(['2027-01-11', '2027-01-12'])
    expect(lastSchoolDays(term, '2027-05-01', 1)).toEqual(['2027-03-26'])
  })
})

describe('practice', () => {
  // ISO 8601: weeks begin on Monday; 2026-12-28 to 2027-01-03 is the last week of 2026.
  it.each([
    ['2027-01-03', '2026-12-28'],
    ['2027-01-04', '2027-01-04'],
    ['2024-02-29', '2024-02-26'],
  ])('of %s belongs to the week of %s', (day, week) => expect(weekOf(day)).toBe(week))

  it('is told by program, with the weeks in which there was none', () => {
    const minutes = (name: string, amount: number, program = 'Pages'): Practice => ({
      ...{ studentId: '1', program, kind: 'minutes', name, amount, beside: 60 },
    })
    const [counting, pages] = practiceByProgram([
      minutes('2027-01-25', 20),
      minutes('2027-01-11', 40),
      minutes('2027-01-11', 5, 'Counting'),
    ])
    expect(counting?.program).toBe('Counting')
    expect(pages?.weeks).toEqual([
      { week: '2027-01-11', minutes: 40, asked: 60 },
      { week: '2027-01-18', minutes: 0, asked: null },
      { week: '2027-01-25', minutes: 20, asked: 60 },
    ])
  })
})

describe('a photo', () => {
  const bytes = Uint8Array.from(atob(smallestPhoto), (character) => character.charCodeAt(0))
  const base64 = (some: Uint8Array): string => btoa(String.fromCharCode(...some))
  /** The same with a segment put in behind the beginning. */
  const withSegment = (marker: number, content: string): string =>
    base64(
      Uint8Array.from([
        ...bytes.slice(0, 2),
        ...[0xff, marker, 0, content.length + 2, ...content].map((each) =>
          typeof each === 'string' ? each.charCodeAt(0) : each,
        ),
        ...bytes.slice(2),
      ]),
    )
  const withSize = (height: number, width: number): string => {
    const frame = bytes.findIndex((byte, at) => byte === 0xff && bytes[at + 1] === 0xc0)
    const copy = Uint8Array.from(bytes)
    copy.set([height >> 8, height & 255, width >> 8, width & 255], frame + 5)
    return base64(copy)
  }

  it('is a JPEG, small, and without what a camera wrote into it', () => {
    const { width, height } = largestPhoto
    expect(photoProblem(smallestPhoto)).toBeNull()
    expect(photoProblem(withSize(height, width))).toBeNull()
    expect(photoProblem(withSegment(0xe2, 'ICC_PROFILE'))).toBeNull()
    expect(photoProblem(withSize(height + 1, width))).toMatch(/no more than 480 × 640 pixels; this has 480 × 641/)
    expect(photoProblem(withSegment(0xe1, 'Exif\0\0GPS'))).toMatch(/what the camera wrote/)
    expect(photoProblem(withSegment(0xfe, 'Maya Reed, Willow Lane 3'))).toMatch(/what the camera wrote/)
    expect(photoProblem('A'.repeat(200_000))).toMatch(/no larger than 120 kB/)
  })

  it('is nothing else, and not the half of one', () => {
    const wrong = ['iVBORw0KGgo=', '', '<svg/>', base64(bytes.slice(0, 60)), withSize(0, 4)]
    for (const each of wrong) expect(photoProblem(each)).toBe('This is no JPEG picture.')
  })
})
