import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { skillWords } from '../narrative/skillWords'
import type { Level, Scale } from '../scales/scale'
import type { Tier } from '../scales/tier'
import { classRecordOf, type ClassRecord } from './classRecord'
import { markProposal } from './markProposal'
import { nameOfAbout } from './nameOfAbout'
import { draftRequest, narrativeFacts } from './narrativeFacts'
import { narrowSetup } from './narrowSetup'
import { indexRecord } from './recordIndex'
import { teacherOf } from './roster'

const factsOf = (record: ClassRecord, key: string) => {
  const box = record.boxes.find((each) => each.key === key)
  if (!box) throw new Error('no box')
  return narrativeFacts(indexRecord(record), '1', box)
}
/** The class after its strand Number has been given another name. */
const renamed = (): ClassRecord =>
  exampleClass({ subjects: exampleClass().subjects.map((each) => ({ ...each, strandNames: { Number: 'Numbers' } })) })
const ofTerm = { termId: 't2', tier: null }

describe('what a comment may rest on, whole', () => {
  it('in a subject: the mark, the strand by its weakest skill, what a sentence may name', () => {
    const number = [
      { kind: 'skill level', about: 's1', text: 'Adds: 2 (level 2)', tier: 'growing', termId: 't2' },
      { kind: 'skill level', about: 's2', text: 'Divides: 1 (level 1)', tier: 'starting', termId: 't2' },
    ]
    const sayable = (text: string, kind: string, about: string, because: string): object => ({
      text,
      because: { kind, about, text: because, ...ofTerm },
    })
    const rated = (about: string, verb: string, { symbol, tier }: { symbol: string; tier: Tier }): object => ({
      ...{ kind: 'skill', about, strand: 'Number', familyWords: `${verb} numbers`, before: null, moved: 0 },
      words: skillWords(`${verb} numbers`),
      level: { symbol, name: `level ${symbol}`, familySentence: `What ${symbol} means.`, tier, lowestPercent: null },
      because: { ...number.find((each) => each.about === about), about: `level of ${about}` },
    })
    const work = (text: string): object => sayable(text, 'result', 'Second quiz', 'Second quiz: 90 %')
    expect(factsOf(exampleClass({ habits: [] }), 'sums')).toEqual({
      termId: 't2',
      termName: 'Spring term',
      mark: {
        level: { symbol: 'A', name: 'level A', familySentence: 'What A means.', tier: 'top', lowestPercent: 80 },
        kind: 'mark',
        about: 'mark',
        name: 'mark',
        tier: 'top',
        uneven: false,
        because: [{ kind: 'mark', about: 'mark', text: 'Settled mark: 82 %, A (level A)', tier: 'top', termId: 't2' }],
        trend: null,
        strongestSkill: null,
        weakestSkill: null,
      },
      standings: [
        {
          kind: 'strand',
          about: 'Number',
          name: 'Number',
          tier: 'starting',
          uneven: false,
          because: number.map((each) => ({ ...each, tier: 'starting' })),
          trend: null,
          strongestSkill: sayable(
            'adding numbers',
            'skill level',
            'Strongest of Number',
            'Strongest of Number: Adds numbers',
          ),
          weakestSkill: sayable(
            'dividing numbers',
            'skill level',
            'Weakest of Number',
            'Weakest of Number: Divides numbers',
          ),
          skills: {
            words: { does: '{divides} numbers', do: 'divide numbers', doing: 'dividing numbers' },
            because: {
              kind: 'skill level',
              about: 'words of Number',
              text: 'dividing numbers',
              tier: null,
              termId: 't2',
            },
          },
        },
      ],
      rated: [
        rated('s1', 'Adds', { symbol: '2', tier: 'growing' }),
        rated('s2', 'Divides', { symbol: '1', tier: 'starting' }),
      ],
      notes: [],
      counts: { late: 0, missing: 0, attendance: { daysOpen: 40, absences: 2 } },
      whole: null,
      ...{ skillsInAll: 2, termBefore: null },
      sayable: {
        'term': { text: 'spring term', because: null },
        'subject': { text: 'sums', because: null },
        'best work': work('Second quiz'),
        'best result': work('9 out of 10'),
        'best work date': work('10 February'),
        'mark': sayable('level A (A)', 'mark', 'mark in words', 'Settled mark: level A (A)'),
        'attendance': sayable('38 of 40 days', 'attendance', 'attendance', 'At school on 38 of 40 days'),
      },
    })
  })
  it('in the general box: the habits, with where they went since the term before', () => {
    const record = exampleClass()
    const score = (symbol: string) => [{ studentId: '1', about: 'care', symbol }]
    const before = { term: { ...record.term, id: 't1', name: 'Autumn term' }, marks: [], levels: [], comments: [] }
    const trendFrom = (symbol: string) =>
      factsOf({ ...record, earlier: [{ ...before, habitScores: score(symbol) }] }, 'general').standings
    expect(trendFrom('1')).toEqual([
      {
        kind: 'habit',
        about: 'care',
        name: 'Care',
        tier: 'growing',
        uneven: false,
        because: [{ kind: 'habit', about: 'care', text: 'Care: 2 (level 2)', tier: 'growing', termId: 't2' }],
        trend: {
          move: 'up',
          by: 1,
          text: 'from level 1 to level 2 since the autumn term',
          because: {
            kind: 'trend',
            about: 'care',
            text: 'Care: from 1 to 2 since the autumn term',
            tier: null,
            termId: 't1',
            value: '1 to 2',
          },
        },
        strongestSkill: null,
        weakestSkill: null,
        skills: {
          words: { does: '{works} with care', do: 'work with care', doing: 'working with care' },
          because: { kind: 'skill level', about: 'words of care', text: 'working with care', tier: null, termId: 't2' },
        },
      },
    ])
    expect(trendFrom('2')[0]?.trend).toMatchObject({
      move: 'same',
      text: null,
      because: { text: 'Care: 2 as in the autumn term' },
    })
  })
  it('names no best and least skill where they stand alike or one has no words inside a sentence', () => {
    const { skills, levels } = exampleClass()
    const named = (change: Partial<ClassRecord>) =>
      factsOf(exampleClass({ habits: [], ...change }), 'sums').standings[0]
    expect(named({ levels: levels.map((each) => ({ ...each, symbol: '2' })) })?.strongestSkill).toBeNull()
    const unworded = (familyWords: string) =>
      skills.map((skill) => (skill.id === 's2' ? { ...skill, inSentence: '', familyWords } : skill))
    expect(named({ skills: unworded('?') })?.weakestSkill).toBeNull()
    // Where nobody has written how a skill stands in a sentence, its family words say it.
    expect(named({ skills: unworded('Shares and divides') })?.weakestSkill?.text).toBe('sharing and dividing')
    const turned = levels.map((each) => ({ ...each, symbol: each.about === 's1' ? '1' : '2' }))
    expect(named({ levels: turned })?.strongestSkill?.text).toBe('dividing numbers')
  })
  it('knows nothing of a strand without settled levels, nor of another subject’s skills', () => {
    const { skills, levels } = exampleClass()
    expect(factsOf(exampleClass({ levels: [], habits: [] }), 'sums').standings).toEqual([])
    const other = [...skills, { ...skills[0], id: 'o1', subject: 'other', strand: 'Other' } as (typeof skills)[number]]
    const all = [...levels, { studentId: '1', about: 'o1', symbol: '3' }]
    expect(
      factsOf(exampleClass({ habits: [], skills: other, levels: all }), 'sums').standings.map((each) => each.about),
    ).toEqual(['Number'])
  })
  it('keeps to the wordings that stand', () => {
    const sentence = { start: 0, end: 3, composed: 'Yes', parts: [], phraseIds: ['p1', 'p2'], because: [] }
    const comment = {
      studentId: '1',
      box: 'sums',
      text: 'Yes',
      ownWords: false,
      status: 'in draft',
      version: 1,
    } as const
    const record = exampleClass({ comments: [{ ...comment, sentences: [sentence] }] })
    const [box, student] = [record.boxes[1], record.students[0]]
    if (!box || !student) throw new Error('no box')
    expect([...(draftRequest(indexRecord(record), student, box).standing ?? [])]).toEqual(['p1', 'p2'])
  })
})

describe('what is worth naming', () => {
  const bestOf = (scores: readonly (readonly [string, number | null, Partial<ClassRecord['work'][number]>?])[]) => {
    const [piece] = exampleClass().work
    const work = scores.map(([title, , more], nth) => ({
      ...(piece as ClassRecord['work'][number]),
      id: `w${nth}`,
      title,
      date: `2027-02-0${nth + 1}`,
      ...more,
    }))
    const results = scores.flatMap(([, score], nth) =>
      score === null ? [] : [{ workId: `w${nth}`, studentId: '1', state: 'scored' as const, score, remark: '' }],
    )
    const { sayable } = factsOf(exampleClass({ work, results }), 'sums')
    return [sayable['best work']?.text, sayable['best result']?.text, sayable['best work date']?.text]
  }
  const least: Parameters<typeof bestOf>[0] = [['Z', 1]]
  it.each<[string, Parameters<typeof bestOf>[0], (string | undefined)[]]>([
    [
      'the best result',
      [
        ['A', 9],
        ['B', 8],
      ],
      ['A', '9 out of 10', '1 February'],
    ],
    [
      'none of two that are as good',
      [
        ['A', 9],
        ['B', 9],
      ],
      [undefined, undefined, undefined],
    ],
    ['none that has no other to be better than', [['A', 9]], [undefined, undefined, undefined]],
    ['from 75 % on', [['A', 7.5], ...least], ['A', '7.5 out of 10', '1 February']],
    ['nothing below', [['A', 7.4], ...least], [undefined, undefined, undefined]],
    ['nothing that only informs', [['A', 9, { counts: false }], ...least], [undefined, undefined, undefined]],
    ['a percentage as one', [['A', 88, { outOf: 100 }], ...least], ['A', '88 %', '1 February']],
    ['no day where none is known', [['A', 9, { date: null }], ...least], ['A', '9 out of 10', undefined]],
  ])('%s', (_name, scores, expected) => {
    expect(bestOf(scores)).toEqual(expected)
  })
  it('the strands that stand high, the best first and three at most; habits where the box is general', () => {
    const tierOf: [string, Tier][] = [
      ['Ink', 'strong'],
      ['Oil', 'top'],
      ['Clay', 'sound'],
      ['Wood', 'strong'],
      ['Wool', 'strong'],
    ]
    const [marks, scale] = exampleClass().scales as [Scale, Scale]
    const levels = tierOf.map(([symbol, tier]) => ({ ...(scale.levels[0] as Level), symbol, tier }))
    const [skill] = exampleClass().skills
    const record = exampleClass({
      scales: [marks, { ...scale, levels }],
      skills: tierOf.map(([name]) => ({ ...(skill as ClassRecord['skills'][number]), id: name, strand: name })),
      levels: tierOf.map(([name]) => ({ studentId: '1', about: name, symbol: name })),
      habits: tierOf.map(([name]) => ({ key: name, name: `Habit ${name}`, familyWords: '', scale: 'skills' })),
      habitScores: tierOf.map(([name]) => ({ studentId: '1', about: name, symbol: name })),
    })
    expect(factsOf(record, 'sums').sayable.strengths?.text).toBe('oil, ink and wood')
    expect(factsOf(record, 'general').sayable.strengths?.text).toBe('habit Oil, habit Ink and habit Wood')
  })
  it('no attendance where no day was open', () => {
    const none = exampleClass({ attendance: [{ studentId: '1', daysOpen: 0, absences: 0, lates: 0 }] })
    expect(factsOf(none, 'sums').sayable.attendance).toBeUndefined()
  })
})

describe('a proposal', () => {
  it('in a subject that has no scale has numbers and no letters', () => {
    const proposal = markProposal(indexRecord(exampleClass({ subjects: [] })), '1', 'sums')
    expect(proposal).toMatchObject({ computed: { percent: 75 }, proposedLevel: undefined, mostFrequent: undefined })
    expect(markProposal(indexRecord(exampleClass({ scales: [] })), '1', 'sums').settledLevel).toBeUndefined()
  })
  it('takes the scale of its own subject, and no level where nothing is settled', () => {
    const { subjects } = exampleClass()
    const before = { ...(subjects[0] as (typeof subjects)[number]), key: 'art', markScale: 'none' }
    const record = exampleClass({ subjects: [before, ...subjects], marks: [], results: [] })
    expect(markProposal(indexRecord(record), '1', 'sums')).toMatchObject({
      settledLevel: undefined,
      proposedLevel: undefined,
    })
    const settled = exampleClass({ subjects: [before, ...subjects] })
    expect(markProposal(indexRecord(settled), '1', 'sums').settledLevel?.symbol).toBe('A')
  })
})

describe('the record’s parts', () => {
  it('what somebody does not read of the set-up goes with its subject; the general box is everybody’s', () => {
    const record = exampleClass()
    const art = { ...record, subjects: [...record.subjects, { ...record.subjects[0], key: 'art' }] } as ClassRecord
    const narrow = narrowSetup(art, (subject) => subject === 'art')
    expect([narrow.subjects.map((each) => each.key), narrow.skills, narrow.boxes.map((each) => each.key)]).toEqual([
      ['art'],
      [],
      ['general'],
    ])
    const sums = narrowSetup(art, (subject) => subject === 'sums')
    expect([sums.subjects.length, sums.skills.length, sums.boxes.length, sums.school]).toEqual([1, 3, 2, art.school])
  })
  it('a subject is taught by its own teacher, or by the class’s', () => {
    const { classRoom } = exampleClass()
    expect(teacherOf({ classRoom, teachers: { art: 'Tom Rush' } }, 'art')).toBe('Tom Rush')
    expect(teacherOf({ classRoom, teachers: { art: 'Tom Rush' } }, 'sums')).toBe('Ada Moss')
  })
  it('a child in a group is taught by who teaches that, if anybody does', () => {
    const { classRoom } = exampleClass()
    const group = (teacher: string) => [{ name: 'Strings', subject: 'art', teacher, students: ['1', '3'] }]
    const asked = { classRoom, teachers: { art: 'Tom Rush' }, groups: group('Ona Wick') }
    expect(['1', '2', undefined].map((id) => teacherOf(asked, 'art', id))).toEqual(['Ona Wick', 'Tom Rush', 'Tom Rush'])
    expect([teacherOf({ ...asked, groups: group('') }, 'art', '1'), teacherOf(asked, 'sums', '1')]).toEqual([
      'Tom Rush',
      'Ada Moss',
    ])
  })
  it('a habit is called by its name, a strand as it is called now, a skill by its statement', () => {
    const setup = renamed()
    const [habit] = setup.habits
    const [skill] = setup.skills
    const names = [
      nameOfAbout(setup, null, habit?.key ?? ''),
      nameOfAbout(setup, 'sums', 'Number'),
      nameOfAbout(setup, null, 'Number'),
      nameOfAbout(setup, 'sums', skill?.id ?? ''),
    ]
    expect(names).toEqual([habit?.name, 'Numbers', 'Number', skill?.statement])
  })
  it('a strand under another name is the same strand, and is told by what it is called now', () => {
    const [before] = factsOf(exampleClass({ habits: [] }), 'sums').standings
    const [now] = factsOf({ ...renamed(), habits: [] }, 'sums').standings
    expect(now).toMatchObject({ ...before, name: 'Numbers', strongestSkill: {}, weakestSkill: {} })
    expect([before, now].map((each) => each?.weakestSkill?.because)).toEqual([
      { kind: 'skill level', about: 'Weakest of Number', text: 'Weakest of Number: Divides numbers', ...ofTerm },
      { kind: 'skill level', about: 'Weakest of Number', text: 'Weakest of Numbers: Divides numbers', ...ofTerm },
    ])
  })
  it('set-up and term make the whole', () => {
    const { term, students, subjects } = exampleClass()
    const whole = classRecordOf({ ...exampleClass(), subjects: [] }, exampleClass({ subjects }))
    expect([whole.term, whole.students, whole.subjects]).toEqual([term, students, subjects])
  })
})
