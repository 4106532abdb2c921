import { describe, expect, it } from 'vitest'
import { phrase, requestOf, smallBook, standing } from '../../tests/exampleDraft'
import type { Tier } from '../scales/tier'
import type { DraftSentence } from './because'
import { draftComment } from './draftComment'
import { followEdits } from './followEdits'
import { proposeInStep, staleSentences } from './outOfStep'
import { readPlan } from './plan'

describe('a proposal told piece by piece', () => {
  const asked = (number: Tier | null, shape: Tier | null) => {
    const made = requestOf({
      standings: [...(number ? [standing('Number', number)] : []), ...(shape ? [standing('Shape', shape)] : [])],
    })
    return { ...made, box: { ...made.box, plan: readPlan('outcome Number; outcome Shape') } }
  }
  const words = {
    describing: smallBook.describing,
    phrases: (['top', 'sound'] as Tier[]).flatMap((tier) =>
      ['Number', 'Shape'].map((about) =>
        phrase(`${about}-${tier}`, `{They} {is} ${tier} at ${about}.`, { about, tiers: [tier] }),
      ),
    ),
  }
  const stood = draftComment(asked('sound', 'sound'), words)
  const between = stood.text.replace('. ', '. By the way: ')
  const followed = followEdits(stood.sentences, stood.text, between)

  it('what is in step is kept, what is not is new with what it stands instead of, what fell away is taken out', () => {
    expect(stood.text).toBe('Sam is sound at Number. She is sound at Shape.')
    const up = proposeInStep(between, followed, asked('sound', 'top'), words)
    expect(up?.pieces).toEqual([
      { kind: 'kept', text: 'Sam is sound at Number.' },
      { kind: 'kept', text: ' By the way: ' },
      { kind: 'new', text: 'She is top at Shape.', instead: 'She is sound at Shape.' },
    ])
    expect(up?.merged?.text).toBe('Sam is sound at Number. By the way: She is top at Shape.')
    expect(
      up?.merged?.sentences.map(({ start, end, composed }) => up.merged?.text.slice(start, end) === composed),
    ).toEqual([true, true])
    expect(up?.stale).toMatchObject([{ at: 1, then: [{ tier: 'sound' }], now: [{ tier: 'top' }] }])
    const gone = proposeInStep(
      `  ${between} `,
      followEdits(followed, between, `  ${between} `),
      asked('sound', null),
      words,
    )
    expect(gone?.pieces.at(-2)).toEqual({ kind: 'removed', instead: 'She is sound at Shape.' })
    expect(gone?.merged?.text).toBe('Sam is sound at Number. By the way:')
    expect(gone?.merged?.sentences).toMatchObject([{ start: 0, end: 23 }])
    expect(gone?.stale).toMatchObject([{ at: 1, now: [] }])
    const first = proposeInStep(stood.text, stood.sentences, asked(null, 'sound'), words)
    expect(first?.merged).toMatchObject({ text: 'She is sound at Shape.', sentences: [{ start: 0, end: 22 }] })
  })
  it('the teacher’s sentence stays in a conflict, with its place, and gives way only where that is chosen', () => {
    const mine = between.replace('sound at Number', 'rather sound at Number')
    const places = followEdits(followed, between, mine)
    const step = proposeInStep(mine, places, asked('top', 'top'), words)
    expect(step?.merged).toBeNull()
    expect(step?.pieces).toEqual([
      { kind: 'conflict', mine: 'Sam is rather sound at Number.', proposed: 'Sam is top at Number.' },
      { kind: 'kept', text: ' By the way: ' },
      { kind: 'new', text: 'She is top at Shape.', instead: 'She is sound at Shape.' },
    ])
    expect(step?.overMine.text).toBe('Sam is top at Number. By the way: She is top at Shape.')
    expect(step?.overMine.sentences.map(({ start, end }) => step.overMine.text.slice(start, end))).toEqual([
      'Sam is top at Number.',
      'She is top at Shape.',
    ])
  })
  it('a fact that is told word for word holds while its words do', () => {
    const because = (text: string) => ({ kind: 'result' as const, about: 'The weir', text, tier: null, termId: 't' })
    const told = [{ ...(stood.sentences[0] as DraftSentence), because: [because('The weir: 18 of 20')] }]
    const today = (text: string) => {
      const made = asked('sound', 'sound')
      return {
        ...made,
        facts: { ...made.facts, sayable: { 'best work': { text: 'The weir', because: because(text) } } },
      }
    }
    expect(staleSentences(told, today('The weir: 18 of 20'))).toEqual([])
    expect(staleSentences(told, today('The weir: 19 of 20'))).toMatchObject([
      { at: 0, now: [{ text: 'The weir: 19 of 20' }] },
    ])
    const mark = standing('mark', 'top')
    const marked = [{ ...(stood.sentences[0] as DraftSentence), because: [...mark.because] }]
    expect(staleSentences(marked, { ...asked(null, null), facts: { ...asked(null, null).facts, mark } })).toEqual([])
  })
})

describe('a general comment that rests on several subjects and a note', () => {
  const made = requestOf({ standings: [] })
  const because = (kind: 'mark' | 'skill level' | 'note', about: string, text: string) => ({
    ...{ kind, about, text, tier: null, termId: 't' },
  })
  const marked = because('mark', 'mark of art', 'Art: Good')
  const counted = because('skill level', 'skills of art, music', '4 of 9 went up')
  const secure = because('skill level', 'secure skills of art, music', '7 of 9 are secure')
  const strong = because('skill level', 'strong skills of art, music', '2 of 9 are strengths')
  const noted = because('note', 'n1', 'Note of 2 March: read aloud')
  const sentences = [marked, counted, secure, strong, noted].map((each, at): DraftSentence => ({
    ...{ start: at, end: at + 1, composed: 'x', parts: [], phraseIds: [], because: [each] },
  }))
  const seenBy = (subjects: string[], note: boolean) => ({
    ...made,
    facts: {
      ...made.facts,
      notes: note ? [{ id: 'n1', date: '2027-03-02', told: 'read aloud', because: noted }] : [],
      whole: {
        subjects,
        best: [{ text: 'art', because: marked }],
        skills: {
          of: 9,
          up: 4,
          down: 0,
          because: counted,
          secure: 7,
          strong: 2,
          becauseOfSecure: secure,
          becauseOfStrong: strong,
        },
      },
    },
  })
  it('is in step for who may read them all, and out of it where the note is gone', () => {
    expect(staleSentences(sentences, seenBy(['art', 'music'], true))).toEqual([])
    expect(staleSentences(sentences, seenBy(['art', 'music'], false)).map(({ at }) => at)).toEqual([4])
  })
  it('is not called out of step by whom its notes are kept from, though they read every subject', () => {
    const blind = { ...seenBy(['art', 'music'], false) }
    const facts = { ...blind.facts, unseen: new Set(['note' as const]) }
    expect(staleSentences(sentences, { ...blind, facts })).toEqual([])
  })
  it('is not called out of step by who may read one of them, and cannot know', () => {
    const narrow = { ...seenBy(['music'], false) }
    const whole = { subjects: ['music'], best: [], skills: null }
    expect(staleSentences(sentences, { ...narrow, facts: { ...narrow.facts, whole } })).toEqual([])
  })
})
