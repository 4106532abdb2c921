import { describe, expect, it } from 'vitest'
import { draftRequests, phrase, requestOf, smallBook, standing } from '../../tests/exampleDraft'
import type { Tier } from '../scales/tier'
import { readPlan } from './plan'
import { Usage } from './usage'

describe('a class', () => {
  const plan = readPlan('outcome Number')
  const alike = (count: number, tier: (at: number) => Tier = () => 'sound') =>
    Array.from({ length: count }, (_, nth) => {
      const made = requestOf({ seed: 'same', standings: [standing('Number', tier(nth))] })
      return { ...made, box: { ...made.box, plan } }
    })
  const wordings = (count: number) => ({
    describing: smallBook.describing,
    phrases: Array.from({ length: count }, (_, nth) =>
      phrase(`w${nth}`, `It is wording ${'abcdefgh'[nth]}.`, { about: 'Number', tiers: [] }),
    ),
  })
  it('hears each wording once before any twice, and those who stand alike before all', () => {
    const texts = draftRequests(alike(8), wordings(4)).map((made) => made.text)
    expect(new Set(texts.slice(0, 4)).size).toBe(4)
    expect(new Set(texts.slice(4)).size).toBe(4)
    // What is given already counts as told.
    const given = new Usage()
    for (const id of ['w0', 'w1']) given.notePhrase(id, [], 40)
    expect(
      draftRequests(alike(2), wordings(4), given)
        .map((made) => made.sentences[0]?.phraseIds[0])
        .toSorted(),
    ).toEqual(['w2', 'w3'])
    // Of two at each level: whoever stands alike hears different words before whoever does not.
    const mixed = draftRequests(
      alike(4, (nth) => (nth < 2 ? 'sound' : 'top')),
      wordings(2),
    ).map((made) => made.text)
    expect([mixed[0] === mixed[1], mixed[2] === mixed[3]]).toEqual([false, false])
  })
})
