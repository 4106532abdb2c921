import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import type { DraftSentence } from '../narrative/because'
import { keptSentence, wholeSentence } from '../narrative/keptSentence'
import { packTerm, unpackTerm } from './packedTerm'

const said: DraftSentence = {
  start: 0,
  end: 12,
  composed: 'She reads on.',
  parts: ['opening'],
  phraseIds: ['p1'],
  because: [
    { kind: 'mark', about: 'mark', text: 'Settled mark: 80 %', tier: 'sound', termId: 'winter' },
    { kind: 'trend', about: 'mark', text: 'It was 70 %', tier: null, termId: 'autumn' },
  ],
}

describe('a sentence as it is kept', () => {
  it('says neither its own words nor its comment’s term again, and what differs stays', () => {
    const sentence = { ...said, end: 13 }
    const kept = keptSentence(sentence, { text: 'She reads on. More.', termId: 'winter' })
    expect(kept).not.toHaveProperty('composed')
    expect(kept.because.map((each) => each.termId)).toEqual([undefined, 'autumn'])
    expect(wholeSentence(kept, { text: 'She reads on. More.', termId: 'winter' })).toEqual(sentence)
  })

  it('keeps the composed words of a sentence that was changed or taken out', () => {
    for (const text of ['She reads up.', '']) {
      const sentence = { ...said, end: text.length }
      const kept = keptSentence(sentence, { text, termId: 'winter' })
      expect(kept.composed).toBe('She reads on.')
      expect(wholeSentence(kept, { text, termId: 'winter' })).toEqual(sentence)
    }
  })

  it('reads what was kept before reasons and parts were kept in full', () => {
    const old = { start: 0, end: 3, phraseIds: [], because: [{ kind: 'mark' as const, text: 'Mark' }] }
    expect(wholeSentence(old, { text: 'Yes', termId: 't' })).toEqual({
      start: 0,
      end: 3,
      composed: 'Yes',
      parts: [],
      phraseIds: [],
      because: [{ kind: 'mark', about: '', text: 'Mark', tier: null, termId: 't' }],
    })
  })
})

const key = fc.constantFrom('a', 'b', '7', '__proto__', 'constructor')
const level = fc.record({ studentId: key, about: key, symbol: fc.string() })
const byPlace = (one: { studentId: string; about: string }): string => `${one.studentId} ${one.about}`

it('a term that was packed, sent and unpacked is the same term', () => {
  const anyTerm = fc.record({
    levels: fc.uniqueArray(level, { selector: byPlace }),
    habitScores: fc.uniqueArray(level, { selector: byPlace }),
    results: fc.uniqueArray(
      fc.record({
        workId: key,
        studentId: key,
        state: fc.constantFrom('scored' as const, 'missing' as const),
        score: fc.option(fc.double({ noNaN: true, noDefaultInfinity: true, min: 0 }), { nil: null }),
        remark: fc.string(),
      }),
      { selector: (one) => `${one.workId} ${one.studentId}` },
    ),
  })
  const sorted = (term: unknown): unknown =>
    JSON.parse(JSON.stringify(term), (_key, value: unknown) =>
      Array.isArray(value) ? value.map((each) => JSON.stringify(each)).sort() : value,
    )
  fc.assert(
    fc.property(anyTerm, (part) => {
      const { term, ...rest } = exampleClass()
      const { levels, habitScores } = part
      const before = { term, marks: [], levels, habitScores, comments: rest.comments }
      const whole = { ...rest, ...part, term, earlier: [before] }
      const sent = JSON.parse(JSON.stringify(packTerm(whole))) as ReturnType<typeof packTerm>
      expect(sorted(unpackTerm(sent))).toEqual(sorted(whole))
    }),
  )
})
