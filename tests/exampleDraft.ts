import fc from 'fast-check'
import { Classmates } from '../core/narrative/classmates'
import { draftClass } from '../core/narrative/draftClass'
import type { DraftRequest } from '../core/narrative/draftRequest'
import type { Draft, DraftSentence, StandingFact } from '../core/narrative/because'
import type { Phrase, Phrasebook } from '../core/narrative/phrase'
import { readPlan } from '../core/narrative/plan'
import { Usage } from '../core/narrative/usage'
import type { CostSetting } from '../core/narrative/wordingCost'
import { he, readPronouns, she, they, type Pronouns } from '../core/people/pronouns'
import { tiers, type Tier } from '../core/scales/tier'

/** A phrase of which only what matters is said. */
export function phrase(id: string, text: string, more: Partial<Phrase> = {}): Phrase {
  return {
    id,
    subject: 'any',
    part: 'outcome',
    about: 'any',
    tiers: [],
    uneven: false,
    moves: [],
    claims: 'level',
    text,
    tone: '',
    grades: null,
    owner: null,
    ...more,
  }
}

/** A standing of a strand, with where it came from. */
export function standing(about: string, tier: Tier, from: Tier | null = null): StandingFact {
  const by = from === null ? 0 : tiers.indexOf(tier) - tiers.indexOf(from)
  const text = by === 0 ? null : `from ${from} to ${tier} since last term`
  return {
    kind: about === 'mark' ? 'mark' : 'strand',
    about,
    name: about,
    tier,
    uneven: false,
    strongestSkill: null,
    weakestSkill: null,
    because: [{ kind: 'skill level', about: `skill of ${about}`, text: `${about}: ${tier}`, tier, termId: 't' }],
    trend:
      from === null
        ? null
        : {
            by,
            text,
            move: by > 0 ? 'up' : by < 0 ? 'down' : 'same',
            because: { kind: 'trend', about, text: `${about}: ${text}`, tier: null, termId: 't0' },
          },
  }
}

/** A small book with three wordings for each of two strands at each tier. */
export const smallBook: Phrasebook = {
  describing: {
    top: ['excellent', 'superb'],
    strong: ['assured'],
    sound: ['steady'],
    growing: ['early'],
    starting: ['first'],
  },
  phrases: [
    ...tiers.flatMap((tier) =>
      ['Number', 'Shape'].flatMap((about) =>
        ['draws', 'keeps', 'finds'].map((verb, nth) =>
          phrase(`${about}-${tier}-${nth}`, `{They} {${verb}} ${tier} {~fine} ${about}.`, { about, tiers: [tier] }),
        ),
      ),
    ),
    phrase('open', '{Name} {has} been here for {#term}.', { part: 'opening' }),
    phrase('move', 'In {#skill}, {they} {has} gone {#trend}.', { part: 'progress', moves: ['up', 'down'] }),
    phrase('close', 'Well done[, best of all in {#best work}].', { part: 'closing' }),
    phrase('hole', 'It was {#best result}.', { part: 'closing' }),
  ],
}

export const smallPlan = readPlan('opening; outcome Number + outcome Shape; progress when moved; closing')

export function requestOf(
  more: Partial<DraftRequest> & { name?: string; pronouns?: Pronouns; limit?: number; standings?: StandingFact[] } = {},
): DraftRequest {
  const { name = 'Sam', pronouns = she, limit = 400, standings = [standing('Number', 'sound')], ...rest } = more
  return {
    seed: 'a',
    grade: 5,
    subject: { name, family: 'Reed', pronouns, possessives: 'apostrophe and s' },
    box: { key: 'b', name: 'Box', subject: 'sums', limit, tone: '', plan: smallPlan },
    facts: {
      termId: 't',
      termName: 'Winter term',
      mark: null,
      standings,
      rated: [],
      notes: [],
      counts: { late: 0, missing: 0, attendance: null },
      ...{ skillsInAll: 0, whole: null, termBefore: null },
      sayable: { term: { text: 'the winter term', because: null } },
    },
    ...rest,
  }
}

/** A class by its requests alone. */
export function draftRequests(requests: readonly DraftRequest[], phrasebook: Phrasebook, given = new Usage()): Draft[] {
  return draftClass(requests, (request) => request, phrasebook, new Classmates(given))
}

export const pronounSets: Pronouns[] = [she, he, they, 'name only', readPronouns('xe/xem/xyr/xyrs/xemself') ?? she]

/**
 * Names of many shapes: accents, apostrophes, hyphens, silent and hissing endings, other scripts, very short and very
 * long.
 */
export const manyNames = [
  'Sam',
  'Zoë',
  "N'Diaye",
  'مريم',
  'X'.repeat(60),
  'Søren',
  'Hyun-woo',
  'James',
  'Louis',
  'Max',
  'Inez',
  'Alice',
  'Ng',
  'Mary Ann',
  'Anaïs',
  'José',
  '美咲',
  'Z\u0301oe',
]

const tierOrNone = fc.constantFrom<Tier | null>(...tiers, null)

/** Requests over invented classes: any levels, any moves, any pronouns, any limit. */
export const anyRequest: fc.Arbitrary<DraftRequest> = fc
  .record({
    id: fc.stringMatching(/^[a-z]{1,6}$/),
    number: tierOrNone,
    shape: tierOrNone,
    before: tierOrNone,
    pronouns: fc.constantFrom(...pronounSets),
    limit: fc.integer({ min: 10, max: 300 }),
    name: fc.constantFrom(...manyNames),
    best: fc.boolean(),
  })
  .map(({ id, number, shape, before, pronouns, limit, name, best }) => {
    const made = requestOf({
      seed: id,
      name,
      pronouns,
      limit,
      standings: [
        ...(number ? [standing('Number', number, before)] : []),
        ...(shape ? [standing('Shape', shape, before)] : []),
      ],
    })
    const because = { kind: 'result' as const, about: 'The weir', text: 'The weir: 18 of 20', tier: null, termId: 't' }
    return best
      ? {
          ...made,
          facts: { ...made.facts, sayable: { ...made.facts.sayable, 'best work': { text: 'The weir', because } } },
        }
      : made
  })

/** A composed sentence at its place in a text, resting on nothing in particular. */
export function sentenceAt(start: number, composed: string): DraftSentence {
  return { start, end: start + composed.length, composed, parts: [], phraseIds: [], because: [] }
}

/** What a wording's cost looks at, where nothing weighs yet. */
export const plainCosts: CostSetting = {
  seed: 's',
  usage: new Usage(),
  tone: '',
  subject: null,
  idealLength: 20,
  namedOnly: false,
  shown: new Map(),
  standing: new Set(),
  elsewhere: new Map(),
  heard: null,
}
