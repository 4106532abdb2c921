import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { draftComment } from '../narrative/draftComment'
import type { NarrativeFacts } from '../narrative/because'
import { daysUntil } from '../terms/daysUntil'
import { isLocked } from '../terms/lock'
import { readPlan } from '../narrative/plan'
import type { Phrase } from '../narrative/phrase'
import type { Level, Scale } from '../scales/scale'
import { readSymbol } from '../scales/symbol'
import { tiers, type Tier } from '../scales/tier'
import { studentProgress, sumProgress } from '../terms/progress'
import type { ClassRecord } from './classRecord'
import type { Student } from './roster'
import { markProposal } from './markProposal'
import { draftRequest, narrativeFacts } from './narrativeFacts'
import { indexRecord } from './recordIndex'

const box = (record: ClassRecord, key: string) =>
  record.boxes.find((each) => each.key === key) as ClassRecord['boxes'][number]
const levelAt = (tier: Tier): Level => ({ symbol: tier, name: tier, familySentence: '', tier, lowestPercent: null })
const named = ({ standings }: NarrativeFacts, about: string) => standings.find((each) => each.about === about)
const draft = (record: ClassRecord, key = 'sums', student = 0) =>
  draftComment(
    draftRequest(indexRecord(record), record.students[student] as Student, box(record, key)),
    record.phrasebook,
  )

describe('a proposal beside what is settled', () => {
  it('shows both, the difference, and what to compare with', () => {
    const before = {
      term: { ...exampleClass().term, id: 't1' },
      marks: [{ studentId: '1', subject: 'sums', percent: 71, special: null, reason: null }],
      levels: [],
      habitScores: [],
      comments: [],
    }
    const proposal = markProposal(indexRecord(exampleClass({ earlier: [before] })), '1', 'sums')
    // (6/10 + 9/10) / 2 = 75 %; the later quiz, 90 %, is the most recent whatever the order in the record.
    expect(proposal).toMatchObject({
      computed: { percent: 75 },
      agreement: 'differs',
      mostRecent: 90,
      median: 75,
      mostFrequent: 'A',
      lastTerm: 71,
      proposedLevel: { symbol: 'B' },
      settledLevel: { symbol: 'A' },
    })
  })
  it('proposes nothing where there are no results', () => {
    expect(markProposal(indexRecord(exampleClass()), '2', 'sums')).toMatchObject({
      computed: { percent: null },
      agreement: 'open',
      mostRecent: null,
      mostFrequent: undefined,
    })
  })
})

describe('the facts that a comment may speak of', () => {
  it('a strand is never said to be better than half of its skills: levels 2 and 1 stand at the lower, and what is the teacher’s alone does not count', () => {
    const record = exampleClass()
    const facts = narrativeFacts(indexRecord(record), '1', box(record, 'sums'))
    expect(named(facts, 'Number')).toMatchObject({
      tier: 'starting',
      uneven: false,
      because: [{ text: 'Adds: 2 (level 2)' }, { text: 'Divides: 1 (level 1)' }],
    })
    expect(facts.mark?.because[0]?.text).toBe('Settled mark: 82 %, A (level A)')
    const words = Object.fromEntries(Object.entries(facts.sayable).map(([name, fact]) => [name, fact.text]))
    expect(words).toEqual({
      'term': 'spring term',
      'subject': 'sums',
      'best work': 'Second quiz',
      'best work date': '10 February',
      'best result': '9 out of 10',
      'mark': 'level A (A)',
      'attendance': '38 of 40 days',
    })
    expect([named(facts, 'Number')?.strongestSkill?.text, named(facts, 'Number')?.weakestSkill?.text]).toEqual([
      'adding numbers',
      'dividing numbers',
    ])
  })
  it('a strand whose skills lie far apart stands at no one level: it is told by its best and its least, and has gone nowhere', () => {
    const levels = [
      { studentId: '1', about: 's1', symbol: '3' },
      { studentId: '1', about: 's2', symbol: '1' },
    ]
    const record = exampleClass({
      levels,
      earlier: [
        {
          term: exampleClass().term,
          marks: [],
          comments: [],
          habitScores: [],
          levels: levels.map((each) => ({ ...each, symbol: '2' })),
        },
      ],
    })
    const facts = narrativeFacts(indexRecord(record), '1', box(record, 'sums'))
    expect(named(facts, 'Number')).toMatchObject({
      tier: 'starting',
      uneven: true,
      trend: null,
      because: [
        { text: 'Adds: 3 (level 3)', tier: 'top' },
        { text: 'Divides: 1 (level 1)', tier: 'starting' },
      ],
    })
    expect(draft(record).text).toMatch(
      /gone up a step since the spring: adding numbers.*down a step in dividing numbers/,
    )
  })
  it('a strand is uneven from two tiers apart, or where a strength stands beside a difficulty', () => {
    const uneven = (best: Tier, least: Tier): boolean | undefined => {
      const scale = { ...(exampleClass().scales[1] as Scale), levels: tiers.toReversed().map(levelAt) }
      const record = exampleClass({
        scales: [exampleClass().scales[0] as Scale, scale],
        levels: [
          { studentId: '1', about: 's1', symbol: best },
          { studentId: '1', about: 's2', symbol: least },
        ],
      })
      return named(narrativeFacts(indexRecord(record), '1', box(record, 'sums')), 'Number')?.uneven
    }
    expect([uneven('top', 'strong'), uneven('strong', 'sound'), uneven('growing', 'starting')]).toEqual([
      false,
      false,
      false,
    ])
    expect([uneven('top', 'sound'), uneven('sound', 'growing'), uneven('top', 'starting')]).toEqual([true, true, true])
  })
  it('where something has gone since the term before, in the scale’s own names', () => {
    const record = exampleClass()
    const before = {
      term: { ...record.term, id: 't1', name: 'Autumn term' },
      comments: [],
      marks: [{ studentId: '1', subject: 'sums', percent: 62, special: null, reason: null }],
      levels: [
        { studentId: '1', about: 's1', symbol: '2' },
        { studentId: '1', about: 's2', symbol: '2' },
      ],
      habitScores: [{ studentId: '1', about: 'care', symbol: '2' }],
    }
    const facts = narrativeFacts(indexRecord({ ...record, earlier: [before] }), '1', box(record, 'sums'))
    expect([facts.mark?.trend?.text, named(facts, 'Number')?.trend?.text, named(facts, 'care')?.trend?.text]).toEqual([
      'from level B to level A since the autumn term',
      'from level 2 to level 1 since the autumn term',
      null,
    ])
    expect([facts.mark?.trend?.move, named(facts, 'Number')?.trend?.move, named(facts, 'care')?.trend?.move]).toEqual([
      'up',
      'down',
      'same',
    ])
  })
  it('a habit that is called like a strand is told from it, in its own box and by its own score', () => {
    const example = exampleClass()
    const record = exampleClass({
      habits: [{ key: 'Number', name: 'Number', familyWords: 'Counts things', scale: 'skills' }],
      habitScores: [{ studentId: '1', about: 'Number', symbol: '2' }],
      boxes: [
        { key: 'sums', name: 'Sums', subject: 'sums', limit: 300, tone: '', plan: readPlan('outcome Number') },
        { key: 'general', name: 'General', subject: null, limit: 300, tone: '', plan: readPlan('habit Number') },
      ],
      phrasebook: {
        ...example.phrasebook,
        phrases: [
          ...example.phrasebook.phrases,
          {
            ...(example.phrasebook.phrases[0] as Phrase),
            id: 'hn',
            part: 'habit',
            about: 'Number',
            text: '{They} {counts} the pens.',
          },
        ],
      },
    })
    expect(draft(record, 'sums').text).toContain('help with numbers')
    expect(draft(record, 'general').text).toBe('Maya counts the pens.')
    const { standings } = narrativeFacts(indexRecord(record), '1', box(record, 'sums'))
    expect(standings.map(({ kind, about, tier }) => `${kind} ${about} ${tier}`)).toEqual([
      'habit Number growing',
      'strand Number starting',
    ])
  })
  it('a level that the school calls “NA” is that level, in a grid and on a report', () => {
    const [scale] = exampleClass().scales
    if (!scale) throw new Error('no scale')
    const own = { ...scale, levels: [{ ...(scale.levels[0] as Level), symbol: 'NA', name: 'Nearly always' }] }
    expect(readSymbol(own, 'na')).toMatchObject({ kind: 'level', level: { name: 'Nearly always' } })
    expect(readSymbol(scale, 'na')).toEqual({ kind: 'special', special: 'not assessed' })
    expect(readSymbol(scale, '9')).toBeUndefined()
  })
  it('an unsettled proposal is not a fact', () => {
    const record = exampleClass({ marks: [] })
    expect(narrativeFacts(indexRecord(record), '1', box(record, 'sums')).mark).toBeNull()
  })
})

describe('a draft from the record', () => {
  it('joins a difficulty and a strength with “but”, names first, and says why', () => {
    const made = draft(exampleClass())
    expect(made.text).toBe(
      'Maya has been here all term. She needs help with numbers, but she has done best in Second quiz.',
    )
    expect(made.sentences[1]?.because.map((each) => each.text)).toEqual(
      expect.arrayContaining(['Settled mark: 82 %, A (level A)', 'Second quiz: 90 %', 'Divides: 1 (level 1)']),
    )
  })
  it('joins what agrees with “and”, in the student’s own pronouns', () => {
    const record = exampleClass({
      levels: [{ studentId: '2', about: 's1', symbol: '3' }],
      marks: [{ studentId: '2', subject: 'sums', percent: 45, special: null, reason: null }],
    })
    expect(draft(record, 'sums', 1).text).toBe(
      'Sam has been here all term. They work well with numbers, and they keep up.',
    )
  })
  it('does not choose a phrase whose fact is missing, and tells of the mark by what its level says', () => {
    expect(draft(exampleClass({ results: [] })).text).toBe(
      'Maya has been here all term. She needs help with numbers. This term her mark in sums is level A: what A means.',
    )
  })
  it('is empty when there is nothing to say', () => {
    expect(draft(exampleClass({ habitScores: [] }), 'general').text).toBe('')
  })
  it('avoids what the student had last term, while there is another wording', () => {
    const record = exampleClass()
    const phrases = [
      ...record.phrasebook.phrases,
      {
        ...record.phrasebook.phrases.find((each) => each.id === 'h'),
        id: 'h2',
        text: '{They} {looks} after {their} work.',
      } as ClassRecord['phrasebook']['phrases'][number],
    ]
    for (const [had, text] of [
      ['h', 'Maya looks after her work.'],
      ['h2', 'Maya takes care of her work.'],
    ] as const) {
      const before = {
        term: record.term,
        marks: [],
        levels: [],
        habitScores: [],
        comments: [
          {
            studentId: '1',
            box: 'general',
            text: '',
            sentences: [{ start: 0, end: 0, composed: '', parts: [], phraseIds: [had], because: [] }],
            ownWords: false,
            status: 'finished' as const,
            version: 1,
          },
        ],
      }
      expect(
        draft({ ...record, earlier: [before], phrasebook: { ...record.phrasebook, phrases } }, 'general').text,
      ).toBe(text)
    }
  })
})

describe('terms', () => {
  it('lock at the start of their lock date', () => {
    expect([isLocked({ locks: '2027-03-19' }, '2027-03-18'), isLocked({ locks: '2027-03-19' }, '2027-03-19')]).toEqual([
      false,
      true,
    ])
    expect([
      daysUntil('2027-03-12', '2027-03-10'),
      daysUntil('2027-03-12', '2027-03-13'),
      daysUntil('2027-03-29', '2027-03-27'),
    ]).toEqual([2, -1, 2])
  })
  it('count what is done out of what should be, for one and for all', () => {
    const index = indexRecord(exampleClass())
    const [maya, sam] = ['1', '2'].map((id) => studentProgress(index, id, ['sums'], id === '1'))
    expect(maya).toEqual({
      gather: { done: 2, of: 2 },
      settle: { done: 5, of: 5 },
      write: { done: 1, of: 2 },
      read: { done: 1, of: 2 },
      send: { done: 1, of: 1 },
    })
    expect(sumProgress([maya, sam].flatMap((each) => each ?? [])).settle).toEqual({ done: 5, of: 10 })
  })
})
