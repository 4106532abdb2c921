import { describe, expect, it } from 'vitest'
import { alderClass, littleKnownClass, sameClass, sameRecord, thirtyClass } from '../voice/classes'
import { indexRecord } from '../../core/record/recordIndex'
import { needsALook } from '../../core/record/needsALook'
import { categorySpreads, workSpreads } from '../../core/record/classSpread'
import { writeComments } from '../../core/record/draftBox'
import type { StudentComment } from '../../core/record/termRecord'
import { likeness, measureVoice, writeAll, type Written } from '../voice/measureVoice'
import { demoClass } from './demoClass'

// What a whole class reads like: Dice's coefficient by the package dice-coefficient, as Jaccard's index; the figures of
// each class are printed by the bench (scripts/benchVoice.ts).

describe.each([
  ['the demo class', demoClass()],
  ['a class for whose skills no phrase is written', alderClass()],
  ['thirty of whom ten have the same record', thirtyClass()],
  ['a class of which little is known', littleKnownClass()],
])('%s', (_name, record) => {
  const figures = measureVoice(record)
  it('has a comment in every box that has something to tell, and in it nothing that nobody recorded', () => {
    const { invented, contradicted, saysNothing, comments } = figures
    expect({ invented, contradicted, saysNothing }).toEqual({ invented: 0, contradicted: 0, saysNothing: 0 })
    expect(comments).toBeGreaterThan(record.students.length * record.boxes.length * 0.8)
  })
  it('has no sentence twice in a report, and few that two classmates share', () => {
    expect(figures.saidTwice).toBe(0)
    expect(figures.sharing).toBeLessThan(0.2)
    expect(figures.sharingThree).toBe(0)
    expect(figures.skeleton[1]).toBeLessThan(0.25)
  })
  it('gives a next step for a habit that the comment tells', () => {
    for (const { draft } of writeAll(record).filter(({ box }) => box === 'general')) {
      const told = draft.sentences.flatMap(({ parts }) => parts)
      const steps = draft.sentences.filter(({ parts }) => parts.some((part) => part.startsWith('next step')))
      const rests = steps.flatMap(({ because }) => because.filter(({ kind }) => kind === 'habit'))
      expect(rests.filter(({ about }) => !about.startsWith('level of') && !told.includes(`habit ${about}`))).toEqual([])
    }
  })
  it('flows: by its facts, by how its sentences begin and by their length, and in six sentences at most', () => {
    const { flow } = figures
    expect(flow.factsPerSentence).toBeGreaterThanOrEqual(1.6)
    expect(flow.beginsWithChild).toBeLessThanOrEqual(0.45)
    expect(flow.longestRun).toBeLessThanOrEqual(2)
    expect(flow.spread).toBeGreaterThan(4)
    expect(flow.wordsPerSentence).toBeGreaterThan(13)
    expect(flow.wordsPerSentence).toBeLessThan(18)
    expect(flow.withConnective).toBeGreaterThan(0.5)
    expect(flow.withConnective).toBeLessThan(0.8)
    const drafts = writeAll(record).map(({ draft }) => draft)
    expect(Math.max(...drafts.map(({ sentences }) => sentences.length))).toBeLessThanOrEqual(6)
    // "We nearly always see her …. We often see her …" is a list.
    expect(drafts.filter(({ text }) => /\bWe [\p{L} ]+ see\b.*\bWe [\p{L} ]+ see\b/u.test(text))).toEqual([])
    expect(drafts.filter(({ text }) => /^\d|[.!?] \d/.test(text))).toEqual([])
  })
})

it('a next step says “this” only for the one habit that the sentence before it ends with', () => {
  const written = [demoClass(), alderClass()].flatMap((record) => writeAll(record))
  const referring = written.flatMap(({ draft: { sentences } }) =>
    sentences.flatMap((sentence, at) => {
      const [told = '', ...more] = sentence.parts.slice(0, sentence.parts.indexOf('next step')).toReversed()
      // Behind a semicolon, or in the sentence before.
      const before = told === '' ? sentences[at - 1] : { ...sentence, parts: [...more.toReversed(), told] }
      const isThis = /\b(for|with|in|about|make) this\b(?! term)/i.test(sentence.composed)
      return isThis && sentence.parts.includes('next step') ? [{ sentence, before }] : []
    }),
  )
  expect(referring.length).toBeGreaterThan(3)
  for (const { sentence, before } of referring) {
    const step = sentence.because.find(({ kind, about }) => kind === 'habit' && !about.startsWith('level of '))
    const scores = new Map(before?.because.map(({ about, tier }) => [about, tier]))
    expect(before?.parts.at(-1)).toBe(`habit ${step?.about}`)
    const alike = before?.parts.filter((part) => scores.get(`level of ${part.slice(6)}`) === step?.tier)
    expect(alike).toEqual([`habit ${step?.about}`])
  }
})

it('ten children with the same record have ten texts, no sentence of which more than three share', () => {
  const written = writeAll(thirtyClass()).filter(({ student }) => sameRecord.has(student.id))
  for (const box of thirtyClass().boxes) {
    const own = written.filter((each) => each.box === box.key)
    const texts = own.map(({ draft, student }) => draft.text.replaceAll(student.usedName, 'N'))
    expect(new Set(texts).size).toBe(10)
    const sentences = own.flatMap(({ draft, student }) =>
      draft.sentences.map(({ composed }) => composed.replaceAll(student.usedName, 'He').replace('He’s', 'His')),
    )
    const most = Math.max(...sentences.map((sentence) => sentences.filter((each) => each === sentence).length))
    expect(most).toBeLessThanOrEqual(3)
  }
})

it('ten with the record of any child share less than half of their words, or hardly more', () => {
  const shares = alderClass().students.flatMap(({ id }) => [...measureVoice(thirtyClass(id), sameRecord).mostAlikeIn])
  expect(shares).toHaveLength(61)
  // Single wordings move a share by 0.02; the class that was made for it is held to less than a half.
  expect(shares.filter(([, share]) => share >= 0.5).length).toBeLessThanOrEqual(2)
  expect(Math.max(...shares.map(([, share]) => share))).toBeLessThan(0.53)
  for (const share of measureVoice(thirtyClass(), sameRecord).mostAlikeIn.values()) expect(share).toBeLessThan(0.5)
})

it('a comment that is written alone keeps away from those that stand', () => {
  const record = thirtyClass()
  const all = writeComments(record)
  const students = new Map(record.students.map((student) => [student.id, student]))
  const written = ({ studentId, box, text, sentences }: StudentComment): Written[] => {
    const student = students.get(studentId)
    return student ? [{ student, box, draft: { text, sentences } }] : []
  }
  for (const id of [...sameRecord].slice(0, 3)) {
    const standing = all.filter(({ studentId }) => studentId !== id)
    const anew = writeComments({ ...record, comments: standing }).filter(({ studentId }) => studentId === id)
    const others = standing.filter(({ studentId }) => sameRecord.has(studentId)).flatMap(written)
    const shares = anew
      .flatMap(written)
      .flatMap((own) => others.filter(({ box }) => box === own.box).map((other) => likeness(own, other)))
    expect(shares).toHaveLength(9 * record.boxes.length)
    expect(Math.max(...shares)).toBeLessThan(0.55)
  }
})

it.each([1, 60])('a class of %i, in which everybody has the same, is written and looked at whole', (count) => {
  const record = sameClass(count)
  const written = writeAll(record)
  expect(written.filter(({ draft }) => draft.text !== '')).toHaveLength(count * record.boxes.length)
  for (const box of record.boxes) {
    const texts = written.filter((each) => each.box === box.key).map(({ draft }) => draft.text)
    // Sixty cannot all differ; no text is everybody's.
    const most = Math.max(...texts.map((text) => texts.filter((each) => each === text).length))
    expect(most).toBeLessThanOrEqual(Math.max(1, count / 10))
  }
  const index = indexRecord(record)
  const subjects = record.subjects.map(({ key }) => key)
  const spreads = subjects.flatMap((subject) => [...workSpreads(index, subject), ...categorySpreads(index, subject)])
  expect(spreads.length).toBeGreaterThan(0)
  // One result, or sixty alike, have no spread.
  for (const spread of spreads) expect([spread.count, spread.highest]).toEqual([count, spread.lowest])
  expect(needsALook(index, subjects).length % count).toBe(0)
})
