import fc from 'fast-check'
import indefinite from 'indefinite'
import { describe, expect, it } from 'vitest'
import { he, she, they, type Pronouns } from '../people/pronouns'
import { tiers } from '../scales/tier'
import { articleBefore } from './article'
import { draftClass, draftComment, type DraftRequest } from './draftComment'
import { followEdits } from './followEdits'
import { countGraphemes } from './graphemes'
import { parsePhrase, type NotationError } from './notation'
import type { Phrasebook } from './phrase'
import { readPlan, writePlan } from './plan'
import { possessiveOf } from './possessive'
import { saySentence } from './say'
import { pluralVerb } from './verbs'

// Source: the npm package "indefinite", an independent implementation.
it.each(['hour', 'unit', 'apple', 'honest', 'European', 'umbrella', 'one', 'uniform', 'user', 'heir', 'eight', 'university', 'honour', 'effective', 'assured', 'excellent', 'uninspired', 'usual', 'unusual', 'unanimous', 'understanding', 'idea', 'house'])('a or an before “%s” as the package says', (word) => {
  expect(articleBefore(word)).toBe(indefinite(word, { articleOnly: true }))
})
// Common practice; figures and single letters are read aloud.
it.each([['8', 'an'], ['11', 'an'], ['18', 'an'], ['80', 'an'], ['1', 'a'], ['10', 'a'], ['100', 'a'], ['A', 'an'], ['B', 'a'], ['F', 'an'], ['U', 'a']])('%s is read with “%s”', (word, article) => {
  expect(articleBefore(word)).toBe(article)
})

it.each([['has', 'have'], ['is', 'are'], ['does', 'do'], ['goes', 'go'], ['tries', 'try'], ['watches', 'watch'], ['passes', 'pass'], ['uses', 'use'], ['writes', 'write'], ['says', 'say'], ['mixes', 'mix'], ['doesn’t', "don't"]])('she %s, they %s', (singular, plural) => {
  expect(pluralVerb(singular)).toBe(plural)
})

// Both ways are allowed by style manuals (The Chicago Manual of Style, 17th ed., 7.17 and 7.22; from memory).
it('possessives of names in s are the school’s choice', () => {
  expect(possessiveOf('James', 'apostrophe and s')).toBe('James’s')
  expect(possessiveOf('James', 'apostrophe only')).toBe('James’')
  expect(possessiveOf('Maya', 'apostrophe only')).toBe('Maya’s')
})

// UAX 29: what a reader counts as one character is one.
it.each([['abc', 3], ['Zoë', 3], ['Zoe\u0308', 3], ['👩🏽‍🏫', 1], ['', 0]])('“%s” has %d characters', (text, count) => {
  expect(countGraphemes(text)).toBe(count)
})

describe('notation', () => {
  it.each([['{They} {writes', 7, /closes/], ['They writes}', 11, /before/], ['{Nam} reads', 0, /none of them/], ['{~Very good}', 0, /describing word/], ['{#mood}', 0, /one of/], ['{They {writes}}', 0, /closes/]])('%s is wrong at %d', (text, position, message) => {
    expect(() => parsePhrase(text)).toThrow(message)
    try {
      parsePhrase(text)
    } catch (error) {
      expect((error as NotationError).position).toBe(position)
    }
  })
  it('plans survive a round trip', () => {
    const plan = 'opening; outcome Number + outcome Measuring; next step; closing'
    expect(writePlan(readPlan(plan))).toBe(plan)
    expect(() => readPlan('opening; moral')).toThrow(/no part/)
  })
})

describe('saying a sentence', () => {
  const say = (text: string, pronouns: Pronouns, named: boolean, words: string[] = []): string =>
    saySentence(parsePhrase(text), { name: 'Sam', pronouns, possessives: 'apostrophe and s' }, { named, sentencesSinceName: 0 }, words, {}).text
  const phrase = '{They} {has} {a} {~careful} eye, {checks} {their} work and {corrects} it {themself}.'
  it('names first, then uses the pronoun, and verbs follow what stands there', () => {
    expect(say(phrase, they, false, ['careful'])).toBe('Sam has a careful eye, checks their work and corrects it themself.')
    expect(say(phrase, they, true, ['assured'])).toBe('They have an assured eye, check their work and correct it themself.')
    expect(say(phrase, she, true, ['careful'])).toBe('She has a careful eye, checks her work and corrects it herself.')
    expect(say(phrase, he, true, ['honest'])).toBe('He has an honest eye, checks his work and corrects it himself.')
  })
  it('says the name alone for a student who has no pronoun', () => {
    expect(say('{They} {finishes} {their} work.', 'name only', true)).toBe('Sam finishes Sam’s work.')
  })
})

const book: Phrasebook = {
  describing: { top: ['excellent', 'superb'], strong: ['assured'], sound: ['steady'], growing: ['early'], starting: ['first'] },
  phrases: [
    ...tiers.flatMap((tier) => ['Number', 'Shape'].flatMap((about) => [1, 2, 3].map((nth) => ({ id: `${about}-${tier}-${nth}`, subject: 'any', part: 'outcome' as const, about, tiers: [tier], text: `{They} {does} ${tier} {~fine} work number ${nth} in ${about}.` })))),
    { id: 'open', subject: 'any', part: 'opening', about: 'any', tiers: [], text: '{Name} {has} been here for {#term}.' },
    { id: 'close', subject: 'any', part: 'closing', about: 'any', tiers: [], text: 'Well done so far.' },
    { id: 'hole', subject: 'any', part: 'closing', about: 'any', tiers: [], text: 'The best was {#best work}.' },
  ],
}
const plan = readPlan('opening; outcome Number + outcome Shape; closing')
const request = fc.record({ id: fc.stringMatching(/^[a-z]{1,6}$/), number: fc.constantFrom(...tiers, null), shape: fc.constantFrom(...tiers, null), pronouns: fc.constantFrom<Pronouns>(she, he, they, 'name only'), limit: fc.integer({ min: 10, max: 300 }), name: fc.constantFrom('Sam', 'Zoë', "N'Diaye", 'مريم', 'X'.repeat(60)) }).map(({ id, number, shape, pronouns, limit, name }): DraftRequest => {
  const fact = (about: string, tier: typeof number): object => (tier ? { [about]: { about, tier, because: [{ kind: 'skill level', text: `${about} ${tier}`, termId: 't' }] } } : {})
  return {
    studentId: id, subject: { name, pronouns, possessives: 'apostrophe and s' }, box: { key: 'b', name: 'Box', subject: 'any-subject', limit, plan },
    facts: { termId: 't', termName: 'winter', subjectName: 'sums', mark: null, bestWork: null, standings: { ...fact('Number', number), ...fact('Shape', shape) } },
  }
})

describe('drafting, over invented classes', () => {
  it('keeps the limit, leaves no hole and no double space, and gives each sentence its because', () => {
    fc.assert(fc.property(fc.array(request, { minLength: 1, maxLength: 8 }), (requests) => {
      const drafts = draftClass(requests, book)
      expect(draftClass(requests, book)).toEqual(drafts)
      drafts.forEach((draft, at) => {
        expect(countGraphemes(draft.text)).toBeLessThanOrEqual(requests[at]?.box.limit ?? 0)
        expect(draft.text).not.toMatch(/ {2}|[{}~#]|undefined|\bnull\b|^\s|\s$/)
        expect(draft.sentences.map((sentence) => draft.text.slice(sentence.start, sentence.end)).join(' ')).toBe(draft.text)
        expect(draft.sentences.every((sentence) => sentence.because.length > 0 && sentence.phraseIds.length > 0)).toBe(true)
        const words = draft.text.match(/excellent|superb|assured|steady|early|first|fine/g) ?? []
        expect(new Set(words).size).toBe(words.length)
      })
    }))
  })
  it('says nothing when nothing is known', () => {
    const [only] = fc.sample(request, { numRuns: 1, seed: 1 })
    if (only) expect(draftComment({ ...only, facts: { ...only.facts, standings: {} } }, book)).toEqual({ text: '', sentences: [] })
  })
  it('gives classmates with the same levels different wordings while there are any', () => {
    const [base] = fc.sample(request, { numRuns: 1, seed: 2 })
    if (!base) throw new Error('no sample')
    const twins = ['a', 'b', 'c'].map((id) => ({ ...base, studentId: id, box: { ...base.box, limit: 400 }, facts: { ...base.facts, standings: { Number: { about: 'Number', tier: 'sound' as const, because: [] } } } }))
    expect(new Set(draftClass(twins, book).map((draft) => draft.sentences[1]?.phraseIds.join())).size).toBe(3)
  })
})

it('follows sentences through edits as far as they stand', () => {
  const sentence = (start: number, end: number): { start: number; end: number; phraseIds: string[]; because: [] } => ({ start, end, phraseIds: ['p'], because: [] })
  const before = 'One is here. Two is here.'
  expect(followEdits([sentence(0, 12), sentence(13, 25)], before, 'So: One is here. Two was here.')).toEqual([sentence(4, 16)])
})
