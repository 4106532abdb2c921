import { describe, expect, it } from 'vitest'
import { phrase, requestOf, standing } from '../../tests/exampleDraft'
import { he, she, they, type Pronouns } from '../people/pronouns'
import type { Tier } from '../scales/tier'
import { draftComment } from './draftComment'
import { parsePhrase, tokensWith } from './notation'
import { readPlan } from './plan'
import { readyPhrase } from './readyPhrase'
import { couldBeMeant, nothingSpoken, saySentence, withFacts, type Spoken, type Subject } from './say'
import type { Because } from './because'
import { joined, linkOf, linkTo, nothingJoined, type Joining } from './joining'
import type { OpenPart } from './openPart'
import type { PartKind } from './phrase'

const sam: Subject = { name: 'Sam', family: 'Reed', pronouns: she, possessives: 'apostrophe and s' }
const named: Spoken = { named: true, sentencesSinceName: 1, othersMeant: false }
const due: Spoken = { ...named, sentencesSinceName: 3 }
const say = (text: string, pronouns: Pronouns, spoken: Spoken, subject: Partial<Subject> = {}) =>
  saySentence(tokensWith(parsePhrase(text), {}), { ...sam, pronouns, ...subject }, spoken, [])

describe('name or pronoun', () => {
  it.each<[string, string, Pronouns, Spoken, string]>([
    [
      'before the first naming, an owner',
      'On {their} own {they} {reads}.',
      she,
      nothingSpoken,
      'On Sam’s own she reads.',
    ],
    ['before the first naming, an object', 'For {them}, {they} {says}.', she, nothingSpoken, 'For Sam, she says.'],
    ['before the first naming, what is owned', 'The best is {theirs}.', she, nothingSpoken, 'The best is Sam’s.'],
    [
      'a name that is due waits for the subject',
      'With {them} here, {they} {reads}.',
      she,
      due,
      'With her here, Sam reads.',
    ],
    ['or for the owner who opens', '{Their} work shows it.', she, due, 'Sam’s work shows it.'],
    ['and not for one inside', 'We like {their} work; {they} {reads}.', she, due, 'We like her work; Sam reads.'],
    ['nor for what is owned', 'It is {theirs}.', she, due, 'It is hers.'],
    ['nor for “herself”', 'By {themself}, {they} {reads}.', she, due, 'By herself, Sam reads.'],
    ['a name that is not due is not said', '{Their} work shows it.', she, named, 'Her work shows it.'],
    ['verbs after a name are singular', '{They} {reads} and {Name} {sings}.', they, named, 'They read and Sam sings.'],
    ['and plural after “they” again', '{Name} {reads}, and {they} {sings}.', they, named, 'Sam reads, and they sing.'],
    [
      'an object changes no verb',
      '{They} {reads}; it helps {them} and {sings}.',
      they,
      named,
      'They read; it helps them and sing.',
    ],
    ['a name that is due ends the plural', '{They} {reads}.', they, due, 'Sam reads.'],
    ['who is only named, first', '{Their|The} work shows it.', 'name only', nothingSpoken, 'Sam’s work shows it.'],
    ['who is only named, later', '{Their|The} work shows it.', 'name only', named, 'The work shows it.'],
    ['who is only named, owning', 'It is {theirs}, of {them}.', 'name only', named, 'It is Sam’s, of Sam.'],
  ])('%s', (_, text, pronouns, spoken, said) => {
    expect(say(text, pronouns, spoken).text).toBe(said)
  })

  it('says the whole name where a family name is known, and a name is written as it is', () => {
    expect(say('{Full name} {reads}.', she, named, { family: '' }).text).toBe('Sam reads.')
    expect(say('{Family name} {reads}.', she, named, { family: '' }).text).toBe('Sam reads.')
    expect(say('{Name} {reads}.', she, named, { name: 'van Dam' }).text).toBe('van Dam reads.')
    expect(say('we like {Name}', she, named, { name: 'van Dam' }).text).toBe('We like van Dam')
  })

  it('remembers whether a name stands, how long ago, and whether others were spoken of', () => {
    expect(say('All is well.', she, nothingSpoken).spoken).toEqual({
      named: false,
      sentencesSinceName: 1,
      othersMeant: false,
    })
    expect(say('{They} {reads}.', she, { ...named, sentencesSinceName: 2 }).spoken).toEqual({
      named: true,
      sentencesSinceName: 3,
      othersMeant: false,
    })
    expect(say('{Name} {helps} others.', they, due).spoken).toEqual({
      named: true,
      sentencesSinceName: 1,
      othersMeant: true,
    })
    expect([they, she, 'name only' as const].map((set) => couldBeMeant('Sam helps others.', set))).toEqual([
      true,
      false,
      false,
    ])
    expect(couldBeMeant('Sam helps.', they)).toBe(false)
  })

  it('leaves one space between words and none before a stop, and sets quotes and apostrophes', () => {
    expect(say(' {They} ,  "so {they} {says}" ,  {doesn\'t}\nread the boys\' book .  ', he, named).text).toBe(
      'He, “so he says”, doesn’t read the boys’ book.',
    )
  })

  it('puts a fact in its place, a verb that a skill brings agreeing, and a missing one as nothing', () => {
    const tokens = parsePhrase('{They} {#does} in {#subject}{#mark}.').flatMap((token) =>
      token.kind === 'optional' ? [] : [token],
    )
    const facts = withFacts(tokens, { does: '{adds} and {subtracts}', subject: 'maths' })
    expect(saySentence(facts, { ...sam, pronouns: they }, named, []).text).toBe('They add and subtract in maths.')
  })
})

describe('two parts in one sentence', () => {
  const clause = (text: string) => readyPhrase(phrase(text, text))
  const reads = clause('{They} {reads}.')
  const sings = clause('{They} {sings}.')
  const both = clause('{They} {reads} and {sings}.')
  const fixed = clause('Well read.')
  const after = (of: ReturnType<typeof clause>, tier: Tier | null, more: Partial<Joining> = {}): Joining => ({
    ...joined(nothingJoined, of, tier, null),
    ...more,
  })
  const link = (now: Joining, next = sings, tier: Tier | null = 'strong', shares = true) =>
    linkTo(now, next, tier, shares)

  it('joins what points the same way with “and”, a strength and a difficulty with “but”', () => {
    expect(link(after(reads, 'top'))).toBe('and')
    expect(link(after(reads, 'starting'))).toBe('but')
    expect(link(after(reads, null))).toBe('and')
    expect(link(after(reads, null), sings, 'starting')).toBe('but')
    expect(link(after(reads, 'starting'), sings, null)).toBe('but')
    // Unless the plan, the clauses or what stands already speaks against it.
    expect(link(after(reads, 'top'), sings, 'strong', false)).toBeNull()
    expect(link(nothingJoined)).toBeNull()
    expect(link(after(fixed, 'top'))).toBeNull()
    expect(link(after(reads, 'top'), fixed)).toBeNull()
    expect(link(after(both, 'top'), both)).toBeNull()
    expect(link(after(both, 'top'), sings)).toBe('and')
    expect(link(after(reads, 'top'), both)).toBe('and')
    expect(link(after(reads, 'starting', { contrastBefore: true }))).toBeNull()
    expect(link(after(reads, 'top', { contrastBefore: true }))).toBe('and')
  })

  it('hangs a next step on to the very skill or habit that was told before it, where both fit one breath', () => {
    const because = (about: string) => ({ ...standing(about, 'growing').because[0], about }) as Because
    const part = (key: string, kind: PartKind, of: string[]): OpenPart => ({
      ...{ keys: [key], within: [], planned: { part: kind, about: 'any', when: null, sharesSentence: false } },
      ...{
        candidates: [],
        tier: 'growing',
        uneven: false,
        because: of.map(because),
        becauseOf: null,
        facts: {},
      },
      dispensable: 0,
    })
    const step = (text: string, about = 'any') => readyPhrase(phrase(text, text, { part: 'next step', about }))
    const told = part('skill m1', 'outcome', ['level of m1'])
    const next = part('next step', 'next step', ['m1', 'm2'])
    const of = (text: string, about?: string, before = told, now = after(reads, 'growing')) =>
      linkOf(now, step(text, about), [told, before, next], 2)
    expect(of('The next step is fractions.')).toBe(';')
    expect(of('The next step is fractions.', 'm1')).toBe(';')
    // A comment that has no more than these two has two sentences.
    expect(linkOf(after(reads, 'growing'), step('The next step is fractions.'), [told, next], 1)).toBeNull()
    // Not for another skill, one that is not the step's, after what has stops, or where it would be too long.
    expect(of('The next step is fractions.', 'm2')).toBeNull()
    expect(of('The next step is fractions.', 'any', part('skill m3', 'outcome', []))).toBeNull()
    expect(of('The next step is this: fractions.')).toBeNull()
    const words = (count: number) => of('The next step is '.concat('more '.repeat(count - 5), 'fractions.'))
    expect([words(24 - reads.wordCount), words(25 - reads.wordCount)]).toEqual([';', null])
    expect(of('The next step is fractions.', 'any', told, after(clause('{They} {reads}; more.'), null))).toBeNull()
  })

  it('remembers how much the sentence holds, and whether it and the one before hold a contrast', () => {
    const first = joined(nothingJoined, reads, 'top', null)
    expect(first).toMatchObject({ inSentence: 1, contrast: false, contrastBefore: false })
    const but = joined(first, sings, 'starting', 'but')
    expect(but).toMatchObject({ inSentence: 2, contrast: true, contrastBefore: false })
    // A third does not join two.
    expect(link(but, reads, 'starting')).toBeNull()
    const next = joined(but, reads, 'top', null)
    expect(next).toMatchObject({ inSentence: 1, contrast: false, contrastBefore: true })
    expect(joined(next, sings, 'top', 'and')).toMatchObject({ inSentence: 2, contrast: false, contrastBefore: true })
  })

  const said = (texts: [string, string], pronouns: Pronouns) => {
    const made = requestOf({ pronouns, standings: [standing('Number', 'top'), standing('Shape', 'top')] })
    const phrases = texts.map((text, at) => phrase(`p${at}`, text, { about: at ? 'Shape' : 'Number', tiers: ['top'] }))
    const plan = readPlan('outcome Number + outcome Shape')
    return draftComment(
      { ...made, box: { ...made.box, plan } },
      { phrases, describing: { top: [], strong: [], sound: [], growing: [], starting: [] } },
    )
  }
  it('says the subject again, or once where its pronoun would be the name or mean somebody else', () => {
    const texts: [string, string] = ['{They} {draws} maps.', '{They} {sorts} shapes']
    expect(said(texts, she).text).toBe('Sam draws maps, and she sorts shapes.')
    expect(said(texts, 'name only').text).toBe('Sam draws maps, and sorts shapes.')
    expect(said(['{They} {helps} others.', texts[1]], they).text).toBe('Sam helps others, and sorts shapes.')
    expect(said(['{They} {helps} others.', texts[1]], she).text).toBe('Sam helps others, and she sorts shapes.')
    expect(said(['{They} {draws} with {them}.', texts[1]], they).text).toBe(
      'Sam draws with them, and they sort shapes.',
    )
  })
  it('ends a sentence with one stop, whatever its phrase ends with', () => {
    expect(said(['{They} {draws}', 'How well {they} {sorts}!'], she).text).toBe('Sam draws. How well she sorts!')
    expect(said(['{They} {draws} “maps.”', 'So {they} {says}.'], she).text).toBe('Sam draws “maps.” So she says.')
  })
})
