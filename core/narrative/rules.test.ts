import { describe, expect, it } from 'vitest'
import { phrase, requestOf, sentenceAt, smallBook, standing } from '../../tests/exampleDraft'
import { she, they } from '../people/pronouns'
import { draftComment } from './draftComment'
import { fidelity, followEdits } from './followEdits'
import { parsePhrase, tokensWith } from './notation'
import { proposeInStep } from './outOfStep'
import { conditionHolds, readPlan } from './plan'
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
