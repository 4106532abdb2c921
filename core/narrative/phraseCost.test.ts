import { describe, expect, it } from 'vitest'
import { phrase, plainCosts } from '../../tests/exampleDraft'
import { familyNumber } from './familyNumber'
import { readGrades, writeGrades } from '../people/gradeRange'
import { phraseSchema } from './phrase'
import { preference } from './preference'
import { readyPhrase } from './readyPhrase'
import { Usage } from './usage'
import { weights, wordingCosts, type CostSetting } from './wordingCost'

/** What classmates have been given. */
function said(noting: (usage: Usage) => void): Usage {
  const usage = new Usage()
  noting(usage)
  return usage
}

describe('what a wording costs', () => {
  const plain = readyPhrase(phrase('p', '{They} {reads} widely.', { subject: 'sums', tiers: ['sound'] }))
  const cost = (more: Partial<CostSetting> = {}, of = plain): number =>
    wordingCosts({ tier: 'sound', keys: [] }, { ...plainCosts, ...more })(of)
  const base = cost()

  it('begins with the own preference and how far its length is from what suits', () => {
    const off = Math.abs(plain.fixedLength - 20) / 20
    const least = preference('s', 'p') * weights.preference + weights.withStudent
    expect(base).toBeCloseTo(least + off * weights.offLength)
    expect(cost({ idealLength: plain.fixedLength })).toBeCloseTo(least)
    // Never more than once the whole weight, however far.
    expect(cost({ idealLength: 1 })).toBeCloseTo(least + weights.offLength)
  })

  it.each<[string, Partial<CostSetting>, number]>([
    ['two classmates have it', { usage: said((usage) => usage.notePhrase('p', [], 2)) }, 2 * weights.perClassmate],
    ['two begin alike', { usage: said((usage) => usage.noteFrame(plain.frame, 2)) }, 2 * weights.perFrame],
    [
      'of two the same is told so',
      {
        usage: said((usage) => {
          usage.noteFrame(plain.frame, 2)
          usage.noteTold([], 'p', 2)
        }),
      },
      2 * weights.perFrame + 2 * weights.perSaying,
    ],
    ['two other boxes have it', { elsewhere: new Map([['p', 2]]) }, 4 * weights.perElsewhere],
    [
      'two at the same level have it',
      {
        usage: said((usage) => usage.notePhrase('p', ['sound'], 2)),
      },
      2 * weights.perClassmate + 4 * weights.perEqual,
    ],
    [
      'two at another level have it',
      {
        usage: said((usage) => usage.notePhrase('p', ['top'], 2)),
      },
      2 * weights.perClassmate,
    ],
    ['a tone is liked that it has not', { tone: 'warm' }, 0],
    ['the subject is its own', { subject: 'sums' }, 0],
    ['it was shown twice', { shown: new Map([['p', 2]]) }, 2 * weights.shownBefore],
    ['it stands', { standing: new Set(['p']) }, 0],
    ['another stands', { standing: new Set(['q']) }, weights.leavesStanding],
    ['the student is only named', { namedOnly: true }, 0],
  ])('and more when %s', (_, more, by) => {
    expect(cost(more) - base).toBeCloseTo(by)
  })

  it('counts what the phrase itself is: of another tone, of any subject, of every level, naming again', () => {
    const other = (more: Parameters<typeof phrase>[2], text = '{They} {reads} widely.') =>
      readyPhrase(phrase('p', text, { subject: 'sums', tiers: ['sound'], ...more }))
    expect(cost({ tone: 'warm' }, other({ tone: 'plain' })) - base).toBeCloseTo(weights.otherTone)
    expect(cost({ tone: 'plain' }, other({ tone: 'plain' })) - base).toBeCloseTo(0)
    expect(cost({ subject: 'sums' }, other({ subject: 'any' })) - base).toBeCloseTo(weights.anySubject)
    expect(cost({}, other({ subject: 'any' })) - base).toBeCloseTo(0)
    expect(cost({}, other({ tiers: [] })) - base).toBeCloseTo(weights.anyLevel)
    const twice = other({}, '{They} {reads} {their} book.')
    expect(cost({ namedOnly: true }, twice) - cost({}, twice)).toBeCloseTo(weights.namedAgain)
    // At no tier nobody stands at the same one, and every level is as good.
    const usage = said((usage) => usage.notePhrase('p', ['sound'], 3))
    const none = wordingCosts({ tier: null, keys: [] }, { ...plainCosts, usage })(other({ tiers: [] }))
    expect(none).toBeCloseTo(base + 3 * weights.perClassmate)
  })
})

describe('a phrase read once', () => {
  it('knows its facts, its words, what is left out without a fact, and its slots', () => {
    const ready = readyPhrase(
      phrase('r', '{They} {has} {a} {~careful} eye for {#skill}[, best of all in {#best work}], and {draws} boats.'),
    )
    expect(ready.needs).toEqual(['skill'])
    expect(ready.slots).toEqual(['careful'])
    expect(ready.optional).toEqual([{ needs: ['best work'], families: [familyNumber('best')] }])
    expect(ready.families).toEqual(['eye', 'draws', 'boats'].map(familyNumber))
    expect(ready.fixedLength).toBe(' has eye for , and draws boats.'.length)
  })

  it.each<
    [
      string,
      Partial<Parameters<typeof phrase>[2]>,
      { joins?: boolean; opens?: boolean; double?: boolean; namings?: number },
    ]
  >([
    ['{They} {reads} widely.', {}, { joins: true, opens: true, double: false, namings: 0 }],
    ['{They} {reads} widely. It shows.', {}, { joins: false }],
    ['{They} {reads}, and {writes}.', {}, { joins: false, double: true }],
    ['{They} {reads} and {writes}.', {}, { joins: true, double: true }],
    ['{They} {reads} widely.', { uneven: true }, { joins: false }],
    ['{Name} {reads} to {their} class.', {}, { joins: false, opens: true, namings: 1 }],
    ['{Their} work shows care.', {}, { joins: false, opens: true }],
    ['For {them}, reading is easy.', {}, { joins: false, opens: false }],
    ['{They} {finishes} {their|the} work.', {}, { namings: 0 }],
    [`{They} {reads} ${'very '.repeat(20)}widely.`, {}, { joins: false }],
  ])('%s %o', (text, more, { joins, opens, double, namings }) => {
    const ready = readyPhrase(phrase(`x ${text} ${JSON.stringify(more)}`, text, more))
    if (joins !== undefined) expect(ready.joins).toBe(joins)
    if (opens !== undefined) expect(ready.opensWithStudent).toBe(opens)
    if (double !== undefined) expect(ready.isDouble).toBe(double)
    if (namings !== undefined) expect(ready.namings).toBe(namings)
  })
})

it('grades are read as they are written', () => {
  expect(['4-6', ' 5 ', '3 – 4', '', '6-4', '4-', 'x', '100'].map(readGrades)).toEqual([
    { from: 4, to: 6 },
    { from: 5, to: 5 },
    { from: 3, to: 4 },
    null,
    undefined,
    undefined,
    undefined,
    undefined,
  ])
  expect([{ from: 4, to: 6 }, { from: 5, to: 5 }, null].map(writeGrades)).toEqual(['4-6', '5', ''])
})

it('a phrase that cannot be kept is refused: too long, of a range turned round, of a tier that is none', () => {
  const fine = phrase('p', '{They} {reads}.')
  const is = (more: object): boolean => phraseSchema.safeParse({ ...fine, ...more }).success
  expect([
    is({}),
    is({ text: 'x'.repeat(400) }),
    is({ text: 'x'.repeat(401) }),
    is({ grades: { from: 5, to: 5 } }),
    is({ grades: { from: 6, to: 5 } }),
    is({ tiers: ['best'] }),
    is({ tone: 'x'.repeat(21) }),
  ]).toEqual([true, true, false, true, false, false, false])
})
