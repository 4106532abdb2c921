import { describe, expect, it } from 'vitest'
import { phrase, requestOf, smallBook, standing } from '../../tests/exampleDraft'
import type { StandingFact } from './because'
import { draftComment } from './draftComment'
import { factsInWords, openParts } from './openParts'
import type { Phrase } from './phrase'
import { readPlan } from './plan'
import { readingGrade } from './readingLevel'
import { tryPhrase } from './tryPhrase'

// Which parts of a plan have something to say of a student, of what, and with which phrases.
const request = (plan: string, standings: StandingFact[], more: object = {}) => {
  const made = requestOf({ standings, ...more })
  return { ...made, box: { ...made.box, plan: readPlan(plan) } }
}
const any = (part: Phrase['part'], more: Partial<Phrase> = {}) =>
  phrase(`${part} ${JSON.stringify(more)}`, `{They} {goes} on with {#skill}.`, { part, ...more })
const book = (...phrases: Phrase[]) => ({ ...smallBook, phrases })
const opened = (plan: string, standings: StandingFact[], phrases: Phrase[], more: object = {}) =>
  openParts(request(plan, standings, more), book(...phrases))
const spokenOf = (...args: Parameters<typeof opened>) =>
  opened(...args).parts.map(({ facts }) => facts.skill?.text ?? null)

describe('of what a part speaks', () => {
  const equals = [
    standing('Number', 'sound'),
    standing('Shape', 'top'),
    standing('Data', 'top'),
    standing('Chance', 'sound'),
  ]
  it('the strongest is the first among equals, the weakest the last', () => {
    expect(spokenOf('next step strongest', equals, [any('next step')])).toEqual(['shape'])
    expect(spokenOf('next step', equals, [any('next step')])).toEqual(['chance'])
  })

  it('a next step is chosen from what the plan tells, an outcome from all there is', () => {
    const outcomes = ['Number', 'Shape', 'Data', 'Chance'].map((about) => any('outcome', { about }))
    const phrases = [any('next step'), ...outcomes]
    expect(spokenOf('outcome Shape; outcome Number; next step', equals, phrases).at(-1)).toBe('number')
    expect(spokenOf('outcome Shape; outcome weakest', equals, phrases)).toEqual(['shape', 'chance'])
  })

  it('what is strongest and weakest at once is told once', () => {
    const { parts, leftOut } = opened(
      'outcome strongest; outcome weakest',
      [standing('Shape', 'top')],
      [any('outcome', { about: 'Shape' })],
    )
    expect(parts).toHaveLength(1)
    expect(leftOut).toEqual([{ part: 'outcome', about: 'weakest', why: 'it does not apply' }])
  })

  it('what moved most is the furthest, a climb before a fall of the same size; nothing where nothing moved', () => {
    const moved = [standing('A', 'sound', 'strong'), standing('B', 'sound', 'growing'), standing('C', 'top', 'top')]
    expect(spokenOf('progress', moved, [any('progress')])).toEqual(['b'])
    expect(spokenOf('progress', [standing('D', 'starting', 'sound'), ...moved], [any('progress')])).toEqual(['d'])
    expect(opened('progress', [standing('C', 'top', 'top')], [any('progress')]).leftOut).toEqual([
      { part: 'progress', about: 'most moved', why: 'it does not apply' },
    ])
  })

  it('says why a part of nothing in particular is there', () => {
    const texts = opened(
      'opening; closing',
      [],
      [phrase('o', 'Here.', { part: 'opening' }), phrase('c', 'There.', { part: 'closing' })],
    ).parts.map(({ because }) => because[0]?.text)
    expect(texts).toEqual(['Every comment has an opening.', 'Every comment has a closing.'])
  })
})

describe('which phrases suit', () => {
  const progress = (moves: Phrase['moves'], from: 'growing' | 'top' | null) =>
    opened('progress Number', [standing('Number', 'sound', from)], [any('progress', { moves })]).parts.length
  it('those of the move, where there is one', () => {
    expect([progress(['up'], 'growing'), progress(['down'], 'growing'), progress(['up', 'down'], 'top')]).toEqual([
      1, 0, 1,
    ])
    expect([progress([], 'growing'), progress([], null), progress(['up'], null)]).toEqual([1, 0, 0])
  })

  it.each([
    [3, 0],
    [4, 1],
    [5, 1],
    [6, 1],
    [7, 0],
    [null, 1],
  ])('those of the grade: %s', (grade, count) => {
    const phrases = [any('outcome', { about: 'Number', grades: { from: 4, to: 6 } })]
    expect(opened('outcome Number', [standing('Number', 'sound')], phrases, { grade }).parts).toHaveLength(count)
  })

  it('those that were not in the text of the term before', () => {
    const phrases = [any('outcome', { about: 'Number' })]
    const [{ id } = { id: '' }] = phrases
    const avoid = new Set([id])
    expect(opened('outcome Number', [standing('Number', 'sound')], phrases, { avoid }).leftOut[0]?.why).toBe(
      'there is no phrase for it',
    )
  })
})

describe('trying one phrase', () => {
  const facts = request('outcome Number', [standing('Number', 'sound'), standing('Shape', 'top', 'sound')])
  it('finds where it could be said, of a strand by name or of any', () => {
    const about = (more: Partial<Phrase>) =>
      tryPhrase(any(more.part ?? 'outcome', more), facts, smallBook.describing)?.facts.skill?.text ?? null
    expect(about({ about: 'Shape' })).toBe('shape')
    expect(about({ about: 'Data' })).toBeNull()
    expect(about({ about: 'any', tiers: ['top'] })).toBe('shape')
    expect(about({ part: 'progress', about: 'any', moves: ['up'] })).toBe('shape')
    const opening = tryPhrase(phrase('o', 'Here.', { part: 'opening' }), facts, smallBook.describing)
    expect(opening?.planned).toMatchObject({ part: 'opening', about: 'any', sharesSentence: false })
  })

  it('tells the facts of what it names, else of one that has what it needs', () => {
    const words = (about: string, needs: ('trend' | 'skill')[] = []) =>
      factsInWords(facts.facts, 'sums', { part: 'outcome', about }, needs)
    expect(words('Number').skill).toBe('number')
    expect(words('any').skill).toBe('number')
    expect(words('any', ['trend'])).toMatchObject({ skill: 'shape', trend: 'from sound to top since last term' })
    expect(
      factsInWords({ ...facts.facts, standings: [] }, 'sums', { part: 'outcome', about: 'any' }).skill,
    ).toBeUndefined()
  })
})

it('a reading level is that of the words there are, and 0 where there are none', () => {
  expect([readingGrade(''), readingGrade('… 17.')]).toEqual([0, 0])
  expect(readingGrade('The cat sat. … The dog ran.')).toBe(readingGrade('The cat sat.'))
  expect(readingGrade('The cat sat. The dog ran.')).toBeLessThan(readingGrade('The cat sat and the dog ran.'))
})

it('a draft without any part is empty and says what is missing', () => {
  expect(draftComment(request('outcome Number', []), book()).leftOut).toEqual([
    { part: 'outcome', about: 'Number', why: 'nothing is settled' },
  ])
})
