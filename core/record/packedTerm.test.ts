import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import type { DraftSentence } from '../narrative/because'
import { keptSentence, wholeSentence } from '../narrative/keptSentence'
import { unpackTerm } from './packedTerm'

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

it('a term as it travels is unpacked: levels, habits, results and comments, this term’s and the one before', () => {
  const { term, results: _, ...rest } = exampleClass()
  const kept = { start: 0, end: 3, phraseIds: ['p'], parts: [], because: [{ kind: 'mark' as const, text: 'Mark' }] }
  const comment = { studentId: '1', box: 'sums', text: 'Yes', ownWords: false, status: 'finished' as const, version: 4 }
  const settled = {
    term,
    marks: [],
    levels: [['1', { 7: '3', s1: '2' }] as const, ['2', {}] as const],
    habitScores: [['2', { care: 'NA' }] as const],
    comments: [{ ...comment, sentences: [kept] }],
  }
  const packed = {
    ...rest,
    ...settled,
    students: rest.students.map((each) => ({ ...each, pronouns: each.id === '1' ? 'she/her' : 'they' })),
    results: [['w1', [['1', 'scored', 8, ''] as const, ['2', 'missing', null, 'ill'] as const]] as const],
    answers: [['w1', [['1', [1, 2, 3, 0]] as const]] as const],
    earlier: [{ ...settled, term: { ...term, id: 't1' } }],
  }
  const because = { kind: 'mark', about: '', text: 'Mark', tier: null }
  const unpacked = (termId: string): object => ({
    term: { ...term, id: termId },
    marks: [],
    levels: [
      { studentId: '1', about: '7', symbol: '3' },
      { studentId: '1', about: 's1', symbol: '2' },
    ],
    habitScores: [{ studentId: '2', about: 'care', symbol: 'NA' }],
    comments: [{ ...comment, sentences: [{ ...kept, composed: 'Yes', because: [{ ...because, termId }] }] }],
  })
  expect(unpackTerm(packed)).toEqual({
    ...rest,
    ...unpacked('t2'),
    results: [
      { workId: 'w1', studentId: '1', state: 'scored', score: 8, remark: '' },
      { workId: 'w1', studentId: '2', state: 'missing', score: null, remark: 'ill' },
    ],
    answers: [
      { workId: 'w1', number: 1, studentId: '1', score: 2 },
      { workId: 'w1', number: 3, studentId: '1', score: 0 },
    ],
    earlier: [unpacked('t1')],
  })
})
