import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../../tests/exampleClass'
import { indexRecord } from '../../record/recordIndex'
import { planQuestions } from './planQuestions'

// A paper's results, question by question, as people have them. The cases were written by hand before they were run;
// "kept back" were not looked at before the others passed.

const example = exampleClass()
const [quiz] = example.work
if (!quiz) throw new Error('There is no work.')
const question = { workId: quiz.id, number: 1, words: 'Tens', skill: 's1', outOf: 2 }
const index = indexRecord({
  ...example,
  questions: [question],
  answers: [{ workId: quiz.id, number: 1, studentId: '1', score: 2 }],
})
const told = (text: string): unknown => {
  const { questions, answers, refused, unchanged } = planQuestions(text, index, quiz)
  return {
    questions: questions.map(({ number, words, skill, outOf }) => [number, words, skill ?? '-', outOf].join(' ')),
    answers: answers.map(({ number, studentId, score }) => `${studentId} ${number} ${score}`),
    refused: refused.map(({ row, reason }) => `${row}: ${reason}`),
    unchanged,
  }
}
const same = { questions: ['1 Tens s1 2'], answers: [], refused: [], unchanged: 0 }

type Case = [what: string, text: string, expected: Partial<Record<keyof typeof same, unknown>>]
const seen: Case[] = [
  [
    'a column for each question, points in the heading, a total that is none',
    'Name,Q1 (2),Q2 (3),Total\nMaya Reed,2,1.5,3.5\nSam Reed,0,,0',
    { questions: ['1 Tens s1 2', '2  - 3'], answers: ['1 2 1.5', '2 1 0'], unchanged: 1 },
  ],
  [
    'rows beside the children’s say what each is out of, and which skill it shows',
    'Standard;;s2;Divides\nNumber;Name;1;2\nMax;;4;1\nn1;Maya Reed;3,5;✓\nn2;Sam Reed;✗;✗\nAverage;;1,8;0,5',
    {
      questions: ['1 Tens s2 4', '2  s2 1'],
      answers: ['1 1 3.5', '1 2 1', '2 1 0', '2 2 0'],
    },
  ],
  [
    'a row for each answer, of several papers',
    'Student,Work,Question,Score,Out of\nMaya Reed,Second quiz,2,1,1\nSam Reed,Other quiz,9,1,1\n' +
      'Sam Reed,Second quiz,q1,3,',
    {
      questions: ['1 Tens s1 2', '2  - 1'],
      answers: ['1 2 1'],
      refused: ['4: Question 1 is out of 2: write a number from 0 to 2.'],
    },
  ],
  [
    'cells as gradebooks have them',
    'Name,Q1,Q2 (4)\nMaya Reed,50 %,3/6\nSam Reed,-,missing',
    {
      questions: ['1 Tens s1 2', '2  - 4'],
      answers: ['1 1 1', '1 2 2'],
      refused: ['3: Question 2: “missing” is no score.'],
    },
  ],
  [
    'questions without numbers, in their order; what nobody says is what somebody reached',
    'Name\tHundreds\tTens\nMaya Reed\t3\t1\nSam Reed\t5\t0',
    {
      questions: ['1 Hundreds s1 2', '2 Tens - 1'],
      answers: ['1 2 1', '2 2 0'],
      refused: [
        '2: Question 1 is out of 2: write a number from 0 to 2.',
        '3: Question 1 is out of 2: write a number from 0 to 2.',
      ],
    },
  ],
]
const keptBack: Case[] = [
  [
    'words behind the number, a skill that is none, a child that is none',
    'Skill,,Flies\nName,Question 1: Ones,Question 2\nMaya Reed,1,1\nZoe Park,1,1\nReed,1,1',
    {
      questions: ['1 Ones s1 2', '2  - 1'],
      answers: ['1 1 1', '1 2 1'],
      refused: [
        '1: No skill here is called “Flies”.',
        '4: There is no child with “Zoe Park” in this class.',
        '5: “Reed” could be Maya Reed or Sam Reed: write the number.',
      ],
    },
  ],
  [
    'a child twice, and a cell that is no score',
    'Number,Q1\nn2,1\nn2,2\nn1,left out',
    {
      answers: ['2 1 1'],
      refused: ['3: Question 1 of Sam Reed stands in row 2 already.', '4: Question 1: “left out” is no score.'],
    },
  ],
]

describe('results question by question', () => {
  it.each(seen)('%s', (_what, text, expected) => {
    expect(told(text)).toEqual({ ...same, ...expected })
  })
  it.each(keptBack)('kept back: %s', (_what, text, expected) => {
    expect(told(text)).toEqual({ ...same, ...expected })
  })
  it('that stand so already change nothing', () => {
    expect(planQuestions('Name,Q1 (2)\nMaya Reed,2', index, quiz)).toMatchObject({ added: 0, changed: 0, unchanged: 1 })
  })
  it.each([
    ['Q1,Q2\n1,2', 'No row of headings says whose'],
    ['Name,Total\nMaya Reed,2', 'No column here is a question'],
    ['Name,Paper,Question,Score\nMaya Reed,Other,1,1', 'No row here is about “Second quiz”'],
  ])('“%s” is told in words', (text, words) => expect(() => planQuestions(text, index, quiz)).toThrow(words))
})
