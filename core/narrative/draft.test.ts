import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyRequest, draftRequests, phrase, requestOf, smallBook, standing } from '../../tests/exampleDraft'
import { he, she, they, type Pronouns } from '../people/pronouns'
import { tiers, type Tier } from '../scales/tier'
import { draftComment } from './draftComment'
import { countGraphemes } from './graphemes'
import { parsePhrase, tokensWith } from './notation'
import { readPlan } from './plan'
import { nothingSpoken, saySentence, type Spoken } from './say'
import { tryPhrase } from './tryPhrase'
import { contentWords, familyOf } from './wordFamily'

describe('saying a sentence', () => {
  const named: Spoken = { named: true, sentencesSinceName: 0, othersMeant: false }
  const say = (text: string, pronouns: Pronouns, spoken: Spoken = named, words: string[] = []): string =>
    saySentence(
      tokensWith(parsePhrase(text), {}),
      { name: 'Sam', family: 'Reed', pronouns, possessives: 'apostrophe and s' },
      spoken,
      words,
    ).text
  const sentence = '{They} {has} {a} {~careful} eye, {checks} {their} work and {corrects} it {themself}.'
  it('names first, then uses the pronoun, and verbs follow what stands there', () => {
    expect(say(sentence, they, nothingSpoken, ['careful'])).toBe(
      'Sam has a careful eye, checks their work and corrects it themself.',
    )
    expect(say(sentence, they, named, ['assured'])).toBe(
      'They have an assured eye, check their work and correct it themself.',
    )
    expect(say(sentence, she, named, ['assured'])).toBe(
      'She has an assured eye, checks her work and corrects it herself.',
    )
    expect(say(sentence, he, named, ['honest'])).toBe('He has an honest eye, checks his work and corrects it himself.')
  })
  it('names again where “they” could mean others, and after some sentences', () => {
    expect(say('{They} {reads}.', they, { ...named, othersMeant: true })).toBe('Sam reads.')
    expect(say('{They} {reads}.', she, { ...named, sentencesSinceName: 3 })).toBe('Sam reads.')
  })
  it('says a name alone, or the phrase’s own turn, for a student without pronouns', () => {
    expect(say('{They} {finishes} {their} work.', 'name only')).toBe('Sam finishes Sam’s work.')
    expect(say('{They} {finishes} {their|the} work.', 'name only')).toBe('Sam finishes the work.')
  })
  it('uses any of the names, and begins with a capital', () => {
    expect(say('{Full name} and the {Family name}s.', she)).toBe('Sam Reed and the Reeds.')
    expect(say('“good” is what {they} {says}.', she)).toBe('“good” is what she says.')
    expect(say('it is said that {they} {reads}.', she)).toBe('It is said that she reads.')
  })
})

describe('joining parts', () => {
  const book = {
    ...smallBook,
    phrases: [
      ...['Number', 'Shape', 'Data', 'Chance'].flatMap((about) =>
        tiers.map((tier) =>
          phrase(`${about}-${tier}`, `{They} {${tier === 'top' || tier === 'strong' ? 'likes' : 'needs'}} ${about}.`, {
            about,
            tiers: [tier],
          }),
        ),
      ),
    ],
  }
  const draft = (levels: Tier[], pronouns: Pronouns = she): string => {
    const abouts = ['Number', 'Shape', 'Data', 'Chance'].slice(0, levels.length)
    const request = requestOf({
      pronouns,
      standings: abouts.map((about, at) => standing(about, levels[at] ?? 'sound')),
    })
    return draftComment(
      {
        ...request,
        box: {
          ...request.box,
          plan: readPlan(abouts.map((about, at) => `${at % 2 ? '+' : at ? ';' : ''} outcome ${about}`).join(' ')),
        },
      },
      book,
    ).text
  }
  it('joins what agrees with “and”, a strength and a difficulty with “but”; no two contrasts run', () => {
    expect(draft(['top', 'strong'])).toBe('Sam likes Number, and she likes Shape.')
    expect(draft(['top', 'growing'])).toBe('Sam likes Number, but she needs Shape.')
    expect(draft(['top', 'growing', 'strong', 'starting'])).toBe(
      'Sam likes Number, but she needs Shape. She likes Data. Sam needs Chance.'.replace('Sam needs', 'She needs'),
    )
  })
  it('says the subject once for a student without pronouns', () => {
    expect(draft(['top', 'growing'], 'name only')).toBe('Sam likes Number, but needs Shape.')
  })
})

describe('drafting, over invented classes', () => {
  it('keeps the limit, leaves no hole or double space, repeats no describing word, always says the same', () => {
    fc.assert(
      fc.property(fc.array(anyRequest, { minLength: 1, maxLength: 8 }), (requests) => {
        const drafts = draftRequests(requests, smallBook)
        expect(draftRequests(requests, smallBook)).toEqual(drafts)
        drafts.forEach((draft, at) => {
          expect(countGraphemes(draft.text)).toBeLessThanOrEqual(requests[at]?.box.limit ?? 0)
          expect(draft.text).not.toMatch(/ {2}|[{}[\]~#]|undefined|\bnull\b|^\s|\s$| [.,]/)
          expect(draft.sentences.map((sentence) => draft.text.slice(sentence.start, sentence.end)).join(' ')).toBe(
            draft.text,
          )
          expect(
            draft.sentences.every(
              (sentence) =>
                sentence.because.length > 0 &&
                sentence.phraseIds.length > 0 &&
                sentence.parts.length === sentence.phraseIds.length,
            ),
          ).toBe(true)
          const words = draft.text.match(/excellent|superb|assured|steady|early|first|fine/g) ?? []
          expect(new Set(words).size).toBe(words.length)
          const families = new Map<string, number>()
          for (const word of contentWords(
            draft.text.replaceAll((requests[at]?.subject.name ?? '').replace("'", '’'), ''),
          ))
            families.set(familyOf(word), (families.get(familyOf(word)) ?? 0) + 1)
          expect(Math.max(0, ...families.values())).toBeLessThanOrEqual(2)
        })
      }),
    )
  })

  it('covers every character that came from a fact with a because', () => {
    fc.assert(
      fc.property(anyRequest, (request) => {
        const draft = draftComment(request, smallBook)
        for (const [told, kind] of [
          ['The weir', 'result'],
          ['since last term', 'trend'],
          ['Number', 'skill level'],
          ['Shape', 'skill level'],
        ] as const) {
          for (const match of draft.text.matchAll(new RegExp(told, 'g'))) {
            const sentence = draft.sentences.find(
              (each) => each.start <= match.index && each.end >= match.index + told.length,
            )
            expect(sentence?.because.some((because) => because.kind === kind)).toBe(true)
          }
        }
      }),
    )
  })

  it('changes few other comments when one fact changes: none when drafts stand, and those of own words never', () => {
    const levels: Tier[] = ['top', 'sound', 'sound', 'growing', 'sound', 'top', 'growing', 'sound', 'sound', 'top']
    const class10 = (change?: Tier) =>
      levels.map((tier, at) =>
        requestOf({
          seed: `s${at}`,
          standings: [standing('Number', at === 4 && change ? change : tier), standing('Shape', tier)],
        }),
      )
    const before = draftRequests(class10(), smallBook)
    const standingIds = before.map((draft) => new Set(draft.sentences.flatMap((sentence) => sentence.phraseIds)))
    const after = draftRequests(
      class10('top').map((request, at) => ({ ...request, standing: standingIds[at] })),
      smallBook,
    )
    expect(after.flatMap((draft, at) => (draft.text === before[at]?.text ? [] : [at]))).toEqual([4])
    const anew = draftRequests(class10('top'), smallBook)
    // Drafted anew, those of whom the same is told are dealt their wordings again.
    expect(anew.filter((draft, at) => draft.text !== before[at]?.text).length).toBeLessThanOrEqual(6)
  })
})

describe('parts', () => {
  const draftWith = (
    plan: string,
    standings = [standing('Number', 'top', 'strong'), standing('Shape', 'growing', 'growing')],
  ) => {
    const request = requestOf({ standings })
    return draftComment({ ...request, box: { ...request.box, plan: readPlan(plan) } }, smallBook)
  }
  it('are said only under their condition, and what is left out is told with its reason', () => {
    expect(
      draftWith('outcome Number when low; outcome Shape when low').sentences.map((sentence) => sentence.parts),
    ).toEqual([['outcome Shape']])
    expect(draftWith('outcome Number; outcome Data; habit Care').leftOut.map(({ about, why }) => [about, why])).toEqual(
      [
        ['Data', 'nothing is settled'],
        ['Care', 'nothing is settled'],
      ],
    )
    expect(draftWith('outcome Number; next step').leftOut).toEqual([
      { part: 'next step', about: 'weakest', why: 'there is no phrase for it' },
    ])
  })
  it('speak of the strongest, the weakest and what moved furthest', () => {
    expect(
      draftWith('outcome strongest; outcome weakest').sentences.map((sentence) => sentence.because[0]?.text),
    ).toEqual(['Number: top', 'Shape: growing'])
    expect(draftWith('outcome Number; progress').text).toMatch(
      /In number, she has gone from strong to top since last term\./,
    )
    expect(
      draftWith('outcome Shape; progress when moved', [standing('Shape', 'growing', 'growing')]).leftOut.map(
        (each) => each.part,
      ),
    ).toEqual(['progress'])
  })
  it('say a shorter form where a fact is not known, and are not said where it is needed', () => {
    expect(draftWith('outcome Number; closing').text).toMatch(/Well done\.$/)
  })
  it('tell a fact once, and count the words that may be left out as soon as they are said', () => {
    const sayable = { 'best work': { text: 'The weir', because: null } }
    const request = { ...requestOf(), facts: { ...requestOf().facts, sayable } }
    const plan = readPlan('opening; outcome Number; closing')
    const bookWith = (closing: string) => ({
      ...smallBook,
      phrases: [
        ...smallBook.phrases.filter(({ part }) => part === 'outcome'),
        phrase('best', '{Name} did best in “{#best work}”.', { part: 'opening' }),
        phrase('last', closing, { part: 'closing' }),
      ],
    })
    const closed = (closing: string, words: string): string[] =>
      draftComment(
        {
          ...request,
          facts: { ...request.facts, sayable: { ...sayable, term: { text: words, because: null } } },
          box: { ...request.box, plan },
        },
        bookWith(closing),
      ).leftOut.map(({ part, why }) => `${part}: ${why}`)
    expect(closed('“{#best work}” was fine.', '')).toEqual(['closing: there is no room'])
    expect(closed('Well done[ in {#best work}].', '')).toEqual(['closing: there is no room'])
    expect(closed('Rivers rise[, and rivers fall in {#term}].', 'spring')).toEqual([])
    expect(closed('Rivers rise[, and rivers fall in {#term}].', 'a time of rivers')).toEqual([
      'closing: there is no room',
    ])
  })
  it('open as at every level where the mark denies what the levels say', () => {
    const openings = {
      ...smallBook,
      phrases: [
        ...smallBook.phrases.filter(({ part }) => part === 'outcome'),
        phrase('low', '{Name} {needs} help.', { part: 'opening', tiers: ['growing'] }),
        phrase('plain', 'Here is how {Name} {has} done.', { part: 'opening' }),
      ],
    }
    const opening = (mark: Tier, number: Tier, shape: Tier): string | undefined => {
      const request = requestOf({ standings: [standing('Number', number), standing('Shape', shape)] })
      const facts = { ...request.facts, mark: standing('mark', mark) }
      return draftComment(
        { ...request, facts, box: { ...request.box, plan: readPlan('opening; outcome Number; outcome Shape') } },
        openings,
      ).sentences[0]?.because[0]?.kind
    }
    expect([
      opening('growing', 'strong', 'sound'),
      opening('growing', 'growing', 'strong'),
      opening('growing', 'sound', 'sound'),
    ]).toEqual(['always', 'skill level', 'skill level'])
  })
  it('tell of an uneven strand only by what is written for one, and choose no describing word for it', () => {
    const skills = {
      strongestSkill: { text: 'adding', because: null },
      weakestSkill: { text: 'dividing', because: null },
    }
    const uneven = { ...standing('Number', 'growing'), ...skills, uneven: true }
    const written = phrase('u', '{They} {is} {~fine} at {#strongest skill}, less so at {#weakest skill}', {
      about: 'Number',
      tiers: ['growing'],
      uneven: true,
    })
    const request = requestOf({ standings: [uneven, standing('Shape', 'growing')] })
    const told = draftComment(request, { ...smallBook, phrases: [...smallBook.phrases, written] })
    expect(told.text).toMatch(/is fine at adding, less so at dividing\. She /)
    expect(draftComment(request, smallBook).leftOut).toContainEqual({
      part: 'outcome',
      about: 'Number',
      why: 'there is no phrase for it',
    })
    expect([
      tryPhrase(written, request, smallBook.describing)?.facts['weakest skill']?.text,
      tryPhrase({ ...written, uneven: false }, request, smallBook.describing),
      tryPhrase({ ...written, about: 'any' }, request, smallBook.describing)?.keys[0],
    ]).toEqual(['dividing', null, 'outcome Number'])
  })
  it('keep to what last term did not say, to the student’s grade, and to the tone that is liked', () => {
    const two = {
      ...smallBook,
      phrases: [
        phrase('old', '{They} {adds}.', { about: 'Number' }),
        phrase('new', '{They} {counts}.', { about: 'Number', tone: 'warm' }),
        phrase('later', '{They} {divides}.', { about: 'Number', grades: { from: 7, to: 9 } }),
      ],
    }
    const request = requestOf()
    const box = { ...request.box, plan: readPlan('outcome Number') }
    expect(draftComment({ ...request, box, avoid: new Set(['old']) }, two).text).toBe('Sam counts.')
    expect(draftComment({ ...request, box, avoid: new Set(['old', 'new']) }, two)).toMatchObject({
      text: '',
      leftOut: [{ why: 'there is no phrase for it' }],
    })
    expect(draftComment({ ...request, box, grade: 8, avoid: new Set(['old', 'new']) }, two).text).toBe('Sam divides.')
    const liked = ['a', 'b', 'c', 'd', 'e', 'f'].map(
      (seed) =>
        draftComment({ ...request, seed, box: { ...box, tone: 'plain' } }, { ...two, phrases: two.phrases.slice(0, 2) })
          .text,
    )
    expect(liked.filter((text) => text === 'Sam adds.').length).toBeGreaterThan(3)
  })
  it('say nothing when nothing is known, or nothing fits', () => {
    expect(draftComment(requestOf({ standings: [] }), smallBook).text).toBe('')
    expect(draftComment(requestOf({ limit: 10 }), smallBook)).toMatchObject({ text: '', sentences: [] })
  })
})

it('a phrasebook of 20,000 phrases is no hindrance, and one of a single phrase serves', () => {
  const many = {
    ...smallBook,
    phrases: [
      ...smallBook.phrases,
      ...Array.from({ length: 20_000 }, (_, nth) =>
        phrase(`x${nth}`, '{They} {draws} things.', { about: 'Number', tiers: ['sound'] }),
      ),
    ],
  }
  expect(draftComment(requestOf(), many).text).not.toBe('')
  const one = { ...smallBook, phrases: [phrase('only', '{They} {counts}.', { about: 'Number' })] }
  expect(draftRequests([requestOf(), requestOf({ seed: 'b' })], one).map((draft) => draft.text)).toEqual([
    'Sam counts.',
    'Sam counts.',
  ])
})
