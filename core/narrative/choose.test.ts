import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { phrase, requestOf, standing, plainCosts } from '../../tests/exampleDraft'
import { chooseWordings, type ChoiceSetting } from './choose'
import { openParts, type OpenPart } from './openParts'
import { readPlan } from './plan'
import { joined, linkTo, nothingJoined } from './sayComment'
import { openingCost, usageKey, weights, wordingCost } from './wordingCost'
import { familyNumber } from './familyNumber'
import type { ReadyPhrase } from './readyPhrase'

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
})

function partsOf({
  wordings,
  usage,
  seed,
  shares,
}: {
  wordings: { verb: string; noun: string; slot: boolean; opens: boolean }[][]
  usage: number[]
  seed: string
  shares: boolean
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
  const counts = new Map(
    phrases.flatMap(
      ({ id }, at) =>
        [
          [id, usage[at] ?? 0],
          [usageKey(id, 'top'), usage[at] ?? 0],
        ] as const,
    ),
  )
  return {
    parts,
    setting: {
      ...plainCosts,
      seed,
      usage: counts,
      describing,
      describingFamilies: new Set(describing.top.map(familyNumber)),
      mayBe: () => true,
    },
  }
}

/** Every choice there is, with its cost; Infinity for one that breaks a hard rule. */
function cheapest(parts: readonly OpenPart[], setting: ChoiceSetting): number {
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
      .map((path) => costOf(path, parts, setting)),
  )
}

function costOf(path: readonly ReadyPhrase[], parts: readonly OpenPart[], setting: ChoiceSetting): number {
  let now = nothingJoined
  let run = 0
  return path.reduce((sum, each, at) => {
    const part = parts[at]
    if (!part) return sum
    const link = linkTo(now, each, part.tier, part.planned.sharesSentence)
    now = joined(now, each, part.tier, link)
    const opening = !link && each.opensWithStudent ? openingCost(run) : 0
    if (!link) run = each.opensWithStudent ? run + 1 : 0
    const before = path.slice(0, at).flatMap((earlier) => earlier.families)
    const again = each.families.filter(
      (family, nth) =>
        before.includes(family) || (each.families.indexOf(family) !== each.families.lastIndexOf(family) && nth >= 0),
    ).length
    return sum + wordingCost(each, part.tier, setting) + opening + again * weights.wordAgain
  }, 0)
}

describe('choosing wordings', () => {
  it('finds the cheapest choice of all that keep the hard rules, or says that there is none', () => {
    fc.assert(
      fc.property(anyCase, (given) => {
        const { parts, setting } = partsOf(given)
        const chosen = chooseWordings(parts, setting)
        const least = cheapest(parts, setting)
        if (!chosen) expect(least).toBe(Infinity)
        else
          expect(
            costOf(
              chosen.map((each) => each.phrase),
              parts,
              setting,
            ),
          ).toBeCloseTo(least, 9)
      }),
      { numRuns: 300 },
    )
  })

  it('does not go on for ever where nothing may be', () => {
    const phrases = abouts.flatMap((about) =>
      Array.from({ length: 40 }, (_, nth) =>
        phrase(`${about}-${nth}`, '{They} {draws} maps.', { about, tiers: ['top'] }),
      ),
    )
    const request = requestOf({ standings: abouts.map((name) => standing(name, 'top')) })
    const describingWords = { top: [], strong: [], sound: [], growing: [], starting: [] }
    const { parts } = openParts(
      { ...request, box: { ...request.box, plan: readPlan(abouts.map((about) => `outcome ${about}`).join(';')) } },
      { phrases, describing: describingWords },
    )
    const { setting } = partsOf({ wordings: [[]], usage: [], seed: 's', shares: false })
    expect(chooseWordings(parts, setting)).toBeNull()
  })
})
