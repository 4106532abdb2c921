import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { phrase, requestOf, standing, plainCosts } from '../../tests/exampleDraft'
import { chooseWordings, type ChoiceSetting } from './choose'
import type { OpenPart } from './openPart'
import { openParts } from './openParts'
import { readPlan } from './plan'
import { preference } from './preference'
import { joined, linkOf, nothingJoined } from './joining'
import { Usage } from './usage'
import { openingCost, weights, wordingCosts } from './wordingCost'
import { familyNumber } from './familyNumber'
import type { ReadyPhrase } from './readyPhrase'
import type { ChosenPart } from './sayComment'

const verbs = ['draws', 'keeps', 'finds', 'works', 'reads']
const abouts = ['One', 'Two', 'Three', 'Four']
const nouns = ['maps', 'plans', 'works', 'shapes', 'finds']

/** Books of up to four parts with up to five wordings, in which words meet often. */
const anyCase = fc.record({
  wordings: fc.array(
    fc.array(
      fc.record({
        verb: fc.constantFrom(...verbs),
        noun: fc.constantFrom(...nouns),
        slot: fc.boolean(),
        opens: fc.boolean(),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    { minLength: 1, maxLength: 4 },
  ),
  usage: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 20, maxLength: 20 }),
  seed: fc.string(),
  shares: fc.boolean(),
  atMost: fc.integer({ min: 20, max: 160 }),
  alike: fc.array(fc.double({ min: 0, max: 6, noNaN: true }), { minLength: 5, maxLength: 5 }),
})

/** Of 120 choices the cheapest is found late: a search that gave up after thirty missed it. */
const foundLate = {
  wordings: [
    [
      { verb: 'draws', noun: 'maps', slot: false, opens: false },
      { verb: 'draws', noun: 'maps', slot: false, opens: false },
      { verb: 'draws', noun: 'maps', slot: false, opens: true },
      { verb: 'draws', noun: 'maps', slot: false, opens: false },
      { verb: 'draws', noun: 'maps', slot: false, opens: false },
    ],
    [
      { verb: 'draws', noun: 'maps', slot: true, opens: true },
      { verb: 'reads', noun: 'plans', slot: false, opens: false },
    ],
    [
      { verb: 'keeps', noun: 'plans', slot: false, opens: false },
      { verb: 'draws', noun: 'maps', slot: false, opens: false },
      { verb: 'reads', noun: 'plans', slot: false, opens: false },
    ],
    [
      { verb: 'draws', noun: 'maps', slot: false, opens: false },
      { verb: 'draws', noun: 'maps', slot: false, opens: false },
      { verb: 'keeps', noun: 'works', slot: false, opens: false },
      { verb: 'draws', noun: 'maps', slot: false, opens: false },
    ],
  ],
  usage: [0, 0, 1, 1, 2, 3, 3, 0, 0, 0, 0, 2, 1, 0, 0, 0, 0, 0, 0, 0],
  seed: ' _',
  shares: false,
  atMost: 79,
  alike: [0, 0, 0, 0, 0],
}

/** What the whole costs beyond its wordings; here by the numbers of its wordings. */
function asWhole(ids: readonly string[], alike: readonly number[]): number {
  const sum = ids.reduce((total, id) => total + Number(id.split('-')[1]), 0)
  return alike[sum % alike.length] ?? 0
}

function partsOf({
  wordings,
  usage,
  seed,
  shares,
  atMost,
  alike,
}: {
  wordings: { verb: string; noun: string; slot: boolean; opens: boolean }[][]
  usage: number[]
  seed: string
  shares: boolean
  atMost: number
  alike: number[]
}): { parts: OpenPart[]; setting: ChoiceSetting } {
  const phrases = wordings.flatMap((each, part) =>
    each.map(({ verb, noun, slot, opens }, nth) =>
      phrase(`${part}-${nth}`, `${opens ? '{They}' : 'Here {they}'} {${verb}} ${slot ? '{~fine} ' : ''}${noun}.`, {
        about: abouts[part],
        tiers: ['top'],
      }),
    ),
  )
  const describing = { top: ['fine', 'grand', 'bold'], strong: [], sound: [], growing: [], starting: [] }
  const names = abouts.slice(0, wordings.length)
  const request = requestOf({ standings: names.map((name) => standing(name, 'top')) })
  const plan = readPlan(names.map((name, at) => `${at === 0 ? '' : shares ? '+' : ';'} outcome ${name}`).join(' '))
  const { parts } = openParts({ ...request, box: { ...request.box, plan } }, { phrases, describing })
  const counts = new Usage()
  phrases.forEach(({ id }, at) => counts.notePhrase(id, ['top'], usage[at] ?? 0))
  return {
    parts,
    setting: {
      ...plainCosts,
      seed,
      usage: counts,
      describing,
      describingFamilies: new Set(describing.top.map(familyNumber)),
      atMost,
      costAsWhole: (phrases) => wholeOf(phrases, alike),
      costOfLikeness: null,
      fits: () => true,
    },
  }
}

/** Every choice there is, with its cost; Infinity for one that breaks a hard rule. */
function cheapest(parts: readonly OpenPart[], setting: ChoiceSetting, alike: readonly number[]): number {
  const all = parts.reduce<ReadyPhrase[][]>(
    (paths, part) => paths.flatMap((path) => part.candidates.map((candidate) => [...path, candidate])),
    [[]],
  )
  return Math.min(
    Infinity,
    ...all
      .filter((path) => {
        const words = new Map<number, number>()
        for (const family of path.flatMap((each) => each.families)) words.set(family, (words.get(family) ?? 0) + 1)
        return Math.max(...words.values()) <= 2 && path.flatMap((each) => each.slots).length <= 3
      })
      .filter((path) => path.reduce((sum, each) => sum + each.leastLength, 0) <= setting.atMost)
      .map((path) => costOf(path, parts, setting) + wholeOf(path, alike)),
  )
}

function wholeOf(path: readonly ReadyPhrase[], alike: readonly number[]): number {
  return asWhole(
    path.map(({ id }) => id),
    alike,
  )
}

function costOf(path: readonly ReadyPhrase[], parts: readonly OpenPart[], setting: ChoiceSetting): number {
  let now = nothingJoined
  let run = 0
  return path.reduce((sum, each, at) => {
    const part = parts[at]
    if (!part) return sum
    const link = linkOf(now, each, parts, at)
    now = joined(now, each, part.tier, link)
    const opening = !link && each.opensWithStudent ? openingCost(run) : 0
    if (!link) run = each.opensWithStudent ? run + 1 : 0
    const before = path.slice(0, at).flatMap((earlier) => earlier.families)
    const again = each.families.filter(
      (family, nth) =>
        before.includes(family) || (each.families.indexOf(family) !== each.families.lastIndexOf(family) && nth >= 0),
    ).length
    const earlier = path.slice(0, at)
    const isIn = (of: 'begins' | 'ends') => each[of] !== '' && earlier.some((one) => one[of] === each[of])
    const beginsSo = earlier.at(-1)?.frame === each.frame || isIn('begins')
    const alike = (beginsSo ? weights.sameBeginning : 0) + (isIn('ends') ? weights.sameEnding : 0)
    return sum + wordingCosts(part, setting)(each) + opening + alike + again * weights.wordAgain
  }, 0)
}

/** Any choice may be taken, and none costs more as a whole. */
const free = { atMost: Infinity, costAsWhole: () => 0, costOfLikeness: null, fits: () => true }

describe('choosing wordings', () => {
  it('finds the cheapest choice of all that keep the hard rules, or says that there is none', () => {
    fc.assert(
      fc.property(anyCase, (given) => {
        const { parts, setting } = partsOf(given)
        const chosen = chooseWordings(parts, setting)
        const least = cheapest(parts, setting, given.alike)
        const path = chosen?.map((each) => each.phrase)
        if (!path) expect(least).toBe(Infinity)
        else expect(costOf(path, parts, setting) + wholeOf(path, given.alike)).toBeCloseTo(least, 9)
      }),
      { numRuns: 300, examples: [[foundLate]] },
    )
  })

  it('what costs: the third in a row that begins with the student', () => {
    expect([0, 1, 2, 3].map(openingCost)).toEqual([0, 0, weights.sameOpening, weights.sameOpening])
  })

  describe('looks no further than it must', () => {
    const letters = ['amber', 'brown', 'coral', 'denim', 'ebony', 'fawn', 'green', 'hazel', 'ivory', 'jade']
    /** Parts of several wordings each, no word twice; what a wording costs is how often classmates have it. */
    function search(costs: readonly (readonly number[])[], more: Partial<ChoiceSetting> = {}) {
      const names = costs.map((_, part) => `Part${part}`)
      const id = (part: number, nth: number): string => `${part}-${String(nth).padStart(2, '0')}`
      const phrases = costs.flatMap((each, part) =>
        each.map((_, nth) =>
          phrase(id(part, nth), `At ${letters[part]} {they}.`, {
            about: names[part],
            tiers: ['top'],
            subject: 'sums',
          }),
        ),
      )
      const usage = new Usage()
      costs.forEach((each, part) => each.forEach((cost, nth) => usage.notePhrase(id(part, nth), [], cost * 20)))
      const request = requestOf({ standings: names.map((name) => standing(name, 'top')) })
      const plan = readPlan(names.map((name) => `outcome ${name}`).join('; '))
      const describing = { top: [], strong: [], sound: [], growing: [], starting: [] }
      const { parts } = openParts({ ...request, box: { ...request.box, plan } }, { phrases, describing })
      let looks = 0
      const counted = new (class extends Set<number> {
        override has(): boolean {
          looks += 1
          return false
        }
      })()
      let tries = 0
      const chosen = chooseWordings(parts, {
        ...plainCosts,
        usage,
        describing,
        describingFamilies: counted,
        ...free,
        ...more,
        costAsWhole: (candidate, likeness) => {
          tries += 1
          return more.costAsWhole ? more.costAsWhole(candidate, likeness) : 0
        },
      })
      return { ids: chosen?.map((each) => each.phrase.id), looks, tries }
    }
    /** A word is looked at once for each wording that is taken up. */
    it('than the cheapest of each part, where they go together', () => {
      const costs = [
        [3, 1, 2, 1.5],
        [2, 3, 1],
        [4, 1, 2, 3, 1.5],
        [1, 2, 3],
        [2, 1],
      ]
      expect(search(costs)).toEqual({ ids: ['0-01', '1-02', '2-01', '3-00', '4-01'], looks: 5, tries: 1 })
    })
    it('than the next dearer ones, where the cheapest may not be', () => {
      const refused = (ids: string[]) => (chosen: readonly ChosenPart[]) =>
        chosen.every(({ phrase }) => !ids.includes(phrase.id))
      const dear = search(
        [
          [1, 9],
          [1, 9],
          [1, 2],
        ],
        { fits: refused(['2-00']) },
      )
      expect(dear).toEqual({ ids: ['0-00', '1-00', '2-01'], looks: 4, tries: 2 })
      // The first part's second wording is dearer than any choice that was found: nothing of it is tried.
      expect(
        search(
          [
            [1, 2],
            [1, 4],
            [1, 9],
          ],
          { fits: refused(['0-00']) },
        ),
      ).toEqual({ ids: ['0-01', '1-00', '2-00'], looks: 10, tries: 5 })
    })
    it('than three hundred whole comments; once it has one, than thirty and each part’s other wordings', () => {
      const all = Array.from({ length: 12 }, () => 1)
      expect(search([all, all, all], { fits: () => false })).toMatchObject({ ids: undefined, tries: 300 })
      expect(search([all, all, all], { costAsWhole: () => 100 })).toMatchObject({ tries: 30 + 3 * 11 })
    })
    it('than six thousand steps, where nothing goes together', () => {
      const phrases = abouts.flatMap((about) =>
        Array.from({ length: 40 }, (_, nth) =>
          phrase(`${about}-${nth}`, '{They} {draws} maps.', { about, tiers: ['top'] }),
        ),
      )
      const request = requestOf({ standings: abouts.map((name) => standing(name, 'top')) })
      const describing = { top: [], strong: [], sound: [], growing: [], starting: [] }
      const plan = readPlan(abouts.map((about) => `outcome ${about}`).join(';'))
      const { parts } = openParts({ ...request, box: { ...request.box, plan } }, { phrases, describing })
      let looks = 0
      const describingFamilies = Object.assign(new Set<number>(), { has: () => ((looks += 1), false) })
      expect(chooseWordings(parts, { ...plainCosts, describing, describingFamilies, ...free })).toBeNull()
      // Two words in each phrase, and in a third phrase the first of them is one too many.
      expect(looks).toBeGreaterThan(5_900)
      expect(looks).toBeLessThanOrEqual(12_000)
    })
    it('and of equal ones it takes the one that is told apart by its name, the first wording first', () => {
      const setting = { seed: 's', ...free }
      const one = search([[1, 1, 1]], setting)
      expect(search([[1, 1, 1]], setting)).toEqual(one)
      expect(one.looks).toBe(1)
    })
  })

  it('takes each student’s favourite describing word first, none twice, and the example alone at no level', () => {
    const words = ['fine', 'grand', 'bold', 'keen', 'brisk']
    const describing = { top: words, strong: [], sound: [], growing: [], starting: [] }
    const chosenFor = (seed: string, uneven = false) => {
      const phrases = ['One', 'Two'].map((about) =>
        phrase(about, `It is {~fine} for ${about}.`, { about, tiers: ['top'], uneven }),
      )
      const request = requestOf({ standings: ['One', 'Two'].map((name) => ({ ...standing(name, 'top'), uneven })) })
      const plan = readPlan('outcome One; outcome Two')
      const { parts } = openParts({ ...request, box: { ...request.box, plan } }, { phrases, describing })
      const describingFamilies = new Set(words.map(familyNumber))
      return chooseWordings(parts, { ...plainCosts, seed, describing, describingFamilies, ...free })?.flatMap(
        (each) => each.describing,
      )
    }
    const liked = (seed: string, id: string, left: readonly string[]) =>
      left.toSorted((a, b) => preference(seed, id, a) - preference(seed, id, b))[0]
    for (const seed of ['a', 'b', 'c', 'd', 'e', 'f']) {
      const first = liked(seed, 'One', words) ?? ''
      expect(chosenFor(seed)).toEqual([
        first,
        liked(
          seed,
          'Two',
          words.filter((word) => word !== first),
        ),
      ])
    }
    // Of an uneven strand the word of its level would be untrue: the example alone, and that cannot stand twice.
    expect(chosenFor('a', true)).toBeUndefined()
  })
})
