import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { phrase } from '../../tests/exampleDraft'
import type { Tier } from '../scales/tier'
import type { PartKind } from '../narrative/phrase'
import { phrasesFor } from '../narrative/phraseIndex'
import { readPlan } from '../narrative/plan'
import { usageKey } from '../narrative/wordingCost'
import { phraseCoverage } from './phraseCoverage'
import { planProblems } from './planProblems'
import { usageOfComments } from './usageOfComments'

const describing = { top: [], strong: [], sound: [], growing: [], starting: [] }

describe('which phrases may be said where', () => {
  const book = {
    describing,
    phrases: [
      phrase('own', 'A.', { subject: 'sums', about: 'Number', tiers: ['top'] }),
      phrase('shared', 'B.', { about: 'Number' }),
      phrase('step', 'C.', { subject: 'sums', part: 'next step' }),
      phrase('any-step', 'D.', { part: 'next step' }),
      phrase('habit-step', 'E.', { part: 'next step', about: 'care' }),
      phrase('habit', 'F.', { part: 'habit', about: 'care' }),
      phrase('own-uneven', 'G.', { subject: 'sums', about: 'Number', tiers: ['growing'], uneven: true }),
      phrase('any-uneven', 'H.', { uneven: true }),
    ],
  }
  const ids = (subject: string | null, part: PartKind, about: string, tier: Tier): string[] =>
    phrasesFor(book, subject, { part, about }, { tier }).map((each) => each.id)
  it('a subject’s own outcomes go before those for any; other parts may be of both, and may speak in general', () => {
    expect(ids('sums', 'outcome', 'Number', 'top')).toEqual(['own'])
    expect(ids('sums', 'outcome', 'Number', 'sound')).toEqual(['shared'])
    expect(ids('sums', 'next step', 'Number', 'sound')).toEqual(['step', 'any-step'])
    expect(ids('sums', 'habit', 'care', 'sound')).toEqual(['habit'])
  })
  it('of an uneven strand only what is written for one, in the subject’s own words or in any’s', () => {
    const uneven = (tier: Tier): string[] =>
      phrasesFor(book, 'sums', { part: 'outcome', about: 'Number' }, { tier, uneven: true }).map((each) => each.id)
    expect([uneven('growing'), uneven('sound'), uneven('top')]).toEqual([
      ['own-uneven', 'any-uneven'],
      ['any-uneven'],
      ['any-uneven'],
    ])
    expect(ids('sums', 'outcome', 'any', 'growing')).toEqual([])
  })
  it('the general comment says of what serves every subject only what speaks of a habit', () => {
    expect(ids(null, 'next step', 'care', 'sound')).toEqual(['habit-step'])
    expect(ids(null, 'next step', 'any', 'sound')).toEqual([])
  })
})

describe('coverage', () => {
  it('counts wordings at the tiers that the school’s scales use, and marks where they are few', () => {
    const record = exampleClass()
    const box = record.boxes.find((each) => each.key === 'sums')
    if (!box) throw new Error('no box')
    const rows = phraseCoverage(record, {
      ...box,
      plan: readPlan('outcome Number; outcome mark when high; progress; next step'),
    })
    const cells = Object.fromEntries(
      rows.map((row) => [
        `${row.part} ${row.about}`,
        row.cells.map((cell) => `${cell.as} ${cell.wordings}${cell.thin ? ' thin' : ''}`),
      ]),
    )
    expect(cells).toEqual({
      'outcome Number': [
        'top 1 thin',
        'strong 0 thin',
        'sound 1 thin',
        'growing 0 thin',
        'starting 1 thin',
        'uneven 1 thin',
      ],
      'outcome mark': ['top 1 thin', 'strong 0 thin'],
      // The mark is an outcome of this plan, so it may turn out the weakest, or what moved.
      'progress mark': ['top 0 thin', 'strong 0 thin', 'sound 0 thin', 'growing 0 thin'],
      'next step mark': ['top 0 thin', 'strong 0 thin', 'sound 0 thin', 'growing 0 thin', 'starting 0 thin'],
      // Nobody climbs to the lowest tier.
      'progress Number': ['top 0 thin', 'strong 0 thin', 'sound 0 thin', 'growing 0 thin'],
      'next step Number': ['top 0 thin', 'strong 0 thin', 'sound 0 thin', 'growing 0 thin', 'starting 0 thin'],
    })
  })
})

it('counts phrases in texts that stand by themselves and by the tier of what they were said of', () => {
  const because = [{ kind: 'mark' as const, about: 'mark', text: '', tier: 'top' as const, termId: 't' }]
  const comment = {
    studentId: '1',
    box: 'b',
    text: '',
    ownWords: false,
    status: 'in draft' as const,
    version: 1,
    sentences: [{ start: 0, end: 0, composed: '', parts: ['opening'], phraseIds: ['o'], because }],
  }
  expect([...usageOfComments([comment, { ...comment, studentId: '2' }])]).toEqual([
    ['o', 2],
    [usageKey('o', 'top'), 2],
  ])
})

it.each([
  ['outcome Shapes', /no strand “Shapes”/],
  ['habit Speed', /no habit “Speed”/],
  ['next step Nowhere', /no strand/],
  ['outcome Number; habit care; progress; next step care; help at home', /^$/],
])('a plan “%s” is looked through for what is not there', (plan, message) => {
  const { skills, habits } = exampleClass()
  expect(planProblems({ subject: 'sums', plan: readPlan(plan) }, skills, habits).join(' ')).toMatch(message)
})
it('a general comment has no mark to speak of', () => {
  expect(planProblems({ subject: null, plan: readPlan('outcome mark') }, [], [])).toEqual([
    'The general comment has no mark to speak of.',
  ])
})
