import { describe, expect, it } from 'vitest'
import { phrase, requestOf, sentenceAt, smallBook, standing } from '../../tests/exampleDraft'
import { she, they } from '../people/pronouns'
import type { Tier } from '../scales/tier'
import type { Phrase } from './phrase'
import { tryPhrase } from './tryPhrase'
import { draftComment } from './draftComment'
import { fidelity, followEdits } from './followEdits'
import { parsePhrase, tokensWith, writePhrase } from './notation'
import { proposeInStep } from './outOfStep'
import { phrasesFor } from './phraseIndex'
import { conditionHolds, conditions, readPlan } from './plan'
import { readingGrade } from './readingLevel'
import { exchange } from './reword'
import { saySentence } from './say'
import { standingNamed } from './standingsOfBox'

// Single rules of the narrative, each by what it decides; the larger tests see them together.

describe('when a part is said', () => {
  it('a part with a condition is not said of nothing, one without is', () => {
    expect(conditionHolds('high', null)).toBe(false)
    expect(conditionHolds('moved', null)).toBe(false)
    expect(conditionHolds(null, null)).toBe(true)
    expect(conditionHolds(null, standing('Number', 'sound'))).toBe(true)
  })

  it.each<[Tier, Tier | null, string]>([
    ['top', null, 'high, high or low'],
    ['strong', 'strong', 'high, high or low'],
    ['strong', 'growing', 'high, high or low, moved, up'],
    ['sound', null, ''],
    ['sound', 'top', 'moved'],
    ['growing', null, 'low, high or low'],
    ['starting', 'sound', 'low, high or low, moved'],
  ])('of what stands at %s and stood at %s is said: %s', (now, before, said) => {
    const of = standing('Number', now, before)
    expect(conditions.filter((condition) => conditionHolds(condition, of)).join(', ')).toBe(said)
  })

  it('a plan says what is wrong in it', () => {
    expect(() => readPlan('outcome Number when never')).toThrow('“when never” is no condition. Conditions are: high,')
    expect(() => readPlan('outcome Number when high when low')).toThrow('“when high when low” is no condition')
    expect(() => readPlan('outcome')).toThrow('“outcome” needs the name of one')
    expect(() => readPlan('outcomes')).toThrow('“outcomes” is no part of a comment. Parts are: opening,')
    expect(readPlan('  outcome Number   when  high ;closing')).toMatchObject([
      { part: 'outcome', about: 'Number', when: 'high' },
      { part: 'closing', about: 'any', when: null },
    ])
  })

  it('progress is told of who has a term before, and of nobody else', () => {
    const request = (from: 'growing' | null) => {
      const made = requestOf({ standings: [standing('Number', 'sound', from)] })
      return { ...made, box: { ...made.box, plan: readPlan('progress Number') } }
    }
    const book = {
      ...smallBook,
      phrases: [phrase('p', 'In {#skill}, {they} {has} gone on.', { part: 'progress' as const })],
    }
    expect(draftComment(request('growing'), book).text).toBe('In number, Sam has gone on.')
    expect(draftComment(request(null), book)).toMatchObject({
      text: '',
      leftOut: [{ part: 'progress', why: 'it does not apply' }],
    })
  })

  it('a habit and a strand of one name are told apart by the part that speaks', () => {
    const strand = standing('care', 'top')
    const habit = { ...standing('care', 'growing'), kind: 'habit' as const }
    const standings = [habit, strand]
    const named = (part: 'habit' | 'outcome' | 'progress', subject: string | null) =>
      standingNamed({ part, about: 'care' }, subject, { standings })
    expect([named('habit', 'art'), named('outcome', 'art'), named('progress', 'art')]).toEqual([habit, strand, strand])
    expect([named('outcome', null), named('progress', null)]).toEqual([strand, habit])
    expect(standingNamed({ part: 'outcome', about: 'care' }, 'art', { standings: [habit] })).toBeUndefined()
  })
})

describe('sentences in a text that is worked on', () => {
  const text = 'Sam draws.  Sam sings.'
  const both = [sentenceAt(0, 'Sam draws.'), sentenceAt(12, 'Sam sings.')]

  it('a sentence’s place has no spaces at its ends, whatever was typed there', () => {
    const typed = 'Sam draws.   \n Sam sings.'
    expect(followEdits(both, text, typed).map(({ start, end }) => typed.slice(start, end))).toEqual([
      'Sam draws.',
      'Sam sings.',
    ])
    const gone = followEdits([sentenceAt(0, 'Sam draws.')], 'Sam draws.', '   ')
    expect(gone.map((each) => fidelity(each, '   '))).toEqual(['taken out'])
  })

  it('is a teacher’s own once more than half of its words are', () => {
    const composed = 'Careful rivers carry coloured boats.'
    const now = (words: string) => fidelity({ ...sentenceAt(0, composed), end: words.length }, words)
    expect(now('Careful rivers carry paper hats.')).toBe('changed')
    expect(now('Careful rivers hold paper hats.')).toBe('own words')
    expect(now('Quick horses hold paper hats.')).toBe('own words')
  })

  it('one is exchanged for two, and what follows moves along; one that is not there changes nothing', () => {
    const made = exchange({ text, sentences: both }, 0, [sentenceAt(0, 'Sam paints well.'), sentenceAt(0, 'It shows.')])
    expect(made.text).toBe('Sam paints well. It shows.  Sam sings.')
    expect(made.sentences.map(({ start, end }) => made.text.slice(start, end))).toEqual([
      'Sam paints well.',
      'It shows.',
      'Sam sings.',
    ])
    expect(exchange({ text, sentences: both }, 7, [])).toEqual({ text, sentences: both })
  })

  it('what is brought into step stands where the stale sentence stood, without a space more or less', () => {
    const plan = readPlan('outcome Number; outcome Shape')
    const at = (tier: 'sound' | 'top') => {
      const made = requestOf({ standings: [standing('Number', tier), standing('Shape', 'sound')] })
      return { ...made, box: { ...made.box, plan } }
    }
    const draft = draftComment(at('sound'), smallBook)
    const step = proposeInStep(draft.text, draft.sentences, at('top'), smallBook)
    const after = step?.merged?.text ?? ''
    expect(after).toMatch(/^Sam \w+ top \w+ Number\. (She|Sam) \w+ sound \w+ Shape\.$/)
    expect(step?.merged?.sentences.map(({ start, end }) => after.slice(start, end)).join(' ')).toBe(after)
  })
})

describe('who is spoken of', () => {
  const say = (text: string, pronouns = she) =>
    saySentence(
      tokensWith(parsePhrase(text), {}),
      { name: 'Sam', family: 'Reed', pronouns, possessives: 'apostrophe and s' },
      { named: false, sentencesSinceName: 0, othersMeant: false },
      [],
    ).text
  it('is named once, at the first place where a name can stand, and never in place of “herself”', () => {
    expect(say('By {themself}, {they} {reads}.')).toBe('By herself, Sam reads.')
    expect(say('By {themself}, {they} {reads}.', they)).toBe('By themself, Sam reads.')
    expect(say('{They} {reads} what {they} {likes}.')).toBe('Sam reads what she likes.')
  })
})

describe('which phrases may be said', () => {
  const own = (id: string, more: Partial<Phrase>) => phrase(id, '{They} {reads}.', { subject: 'sums', ...more })
  const ids = (
    phrases: Phrase[],
    subject: string | null,
    of: Pick<Phrase, 'part' | 'about'>,
    at: Partial<Parameters<typeof phrasesFor>[3]> = {},
  ) =>
    phrasesFor({ ...smallBook, phrases }, subject, of, { tier: 'sound', ...at })
      .map(({ id }) => id)
      .join(' ')
  const general = [
    own('own', { about: 'Number' }),
    own('shared', { about: 'Number', subject: 'any' }),
    own('any', { subject: 'any' }),
    own('uneven', { about: 'Number', uneven: true }),
    own('uneven any', { subject: 'any', uneven: true }),
    own('step', { part: 'next step', about: 'Number' }),
    own('any step', { part: 'next step' }),
    own('shared step', { part: 'next step', subject: 'any' }),
    own('close', { part: 'closing' }),
    own('general close', { part: 'closing', subject: 'general' }),
    own('habit', { part: 'habit', about: 'care', subject: 'any' }),
    own('habit step', { part: 'next step', about: 'care', subject: 'any' }),
    own('top alone', { about: 'Number', tiers: ['top'] }),
  ]
  it.each<[string, string | null, Pick<Phrase, 'part' | 'about'>, Partial<Parameters<typeof phrasesFor>[3]>, string]>([
    ['an outcome the subject words', 'sums', { part: 'outcome', about: 'Number' }, {}, 'own'],
    ['one that only another words', 'art', { part: 'outcome', about: 'Number' }, {}, 'shared'],
    ['one that nobody words', 'art', { part: 'outcome', about: 'Clay' }, {}, 'any'],
    ['at its level', 'sums', { part: 'outcome', about: 'Number' }, { tier: 'top' }, 'own top alone'],
    ['at no level', 'sums', { part: 'outcome', about: 'Number' }, { tier: null }, 'own'],
    ['an uneven one', 'sums', { part: 'outcome', about: 'Number' }, { uneven: true }, 'uneven uneven any'],
    [
      'uneven, and no outcome',
      'sums',
      { part: 'next step', about: 'Number' },
      { uneven: true },
      'step any step shared step',
    ],
    ['a step for anything', 'sums', { part: 'next step', about: 'any' }, {}, 'any step shared step'],
    ['a closing', 'sums', { part: 'closing', about: 'any' }, {}, 'close'],
    ['the general comment’s closing', null, { part: 'closing', about: 'any' }, {}, 'general close'],
    ['a habit', null, { part: 'habit', about: 'care' }, {}, 'habit'],
    ['a habit that nobody words', null, { part: 'habit', about: 'pace' }, {}, ''],
    ['the general comment’s step', null, { part: 'next step', about: 'care' }, {}, 'habit step'],
  ])('%s', (_, subject, of, at, found) => {
    expect(ids(general, subject, of, at)).toBe(found)
  })
  it('one phrase is tried where it could be said: of any standing, of the mark, or of nothing', () => {
    const request = requestOf({ standings: [standing('Number', 'sound'), standing('Shape', 'top')] })
    const tried = (more: Partial<Phrase>) => tryPhrase(own('t', more), request, smallBook.describing)?.keys[0] ?? null
    expect(tried({ about: 'Shape' })).toBe('outcome Shape')
    expect(tried({ about: 'any', part: 'closing' })).toBe('closing')
    expect(tried({ about: 'any', part: 'opening' })).toBe('opening')
    expect(tried({ about: 'any' })).toBe('outcome Number')
    expect(tried({ about: 'any', tiers: ['top'] })).toBe('outcome Shape')
    expect(tried({ about: 'any', tiers: ['starting'] })).toBeNull()
    expect(tried({ about: 'any', part: 'next step', tiers: ['top'] })).toBe('next step Shape')
  })
})

describe('the notation, at its edges', () => {
  it.each(['{}', '{Reads}', '{read}', '{they|a|b}', "{n'ts}", '{name}', '{~a }', '{#', '}'])(
    '%s is nothing',
    (text) => {
      expect(() => parsePhrase(text)).toThrow(/^At character 1: /)
    },
  )
  it.each(["{Name's} {Full name's} {Family name}", '{a} {A} {They|the} {THEM}', "{doesn't} {isn't} {is}"])(
    '%s is read and written',
    (text) => {
      expect(writePhrase(parsePhrase(text))).toBe(text.replace('{THEM}', '{Them}'))
    },
  )
  it('optional words stand with all their facts, and not with some', () => {
    const tokens = parsePhrase('Well done[, with {#mark} in {#subject}, truly].')
    const said = (facts: Parameters<typeof tokensWith>[1]) => writePhrase(tokensWith(tokens, facts))
    expect(said({ mark: '9', subject: 'art' })).toBe('Well done, with {#mark} in {#subject}, truly.')
    expect(said({ mark: '9' })).toBe('Well done.')
    expect(said({})).toBe('Well done.')
  })
})

it('a text without words or sentences is read at grade 0, and what has no words is no sentence', () => {
  expect([readingGrade(''), readingGrade('12. 13.'), readingGrade('…')]).toEqual([0, 0, 0])
  expect(readingGrade('The cat sat. 12!')).toBe(readingGrade('The cat sat.'))
})
