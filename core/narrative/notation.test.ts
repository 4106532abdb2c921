import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { writePhrasebook, readPhraseRow } from '../exchange/folder/phrasebookFile'
import { readRecords } from '../exchange/files/readRecords'
import { readTable } from '../exchange/files/readTable'
import { phrase } from '../../tests/exampleDraft'
import { factNames, parsePhrase, writePhrase, type NotationError } from './notation'
import { moves, partKinds } from './phrase'
import { readPlan, writePlan } from './plan'
import { tiers } from '../scales/tier'

describe('the notation of phrases', () => {
  it.each([
    ['{They} {writes', 7, /closes/],
    ['{They} writes}', 13, /before/],
    ['{Nam} reads', 0, /none of them/],
    ['{~Very good}', 0, /describing word/],
    ['{#mood}', 0, /one of/],
    ['{They {writes}}', 0, /closes/],
    ['{They} {reads}[ in {#best work}', 14, /“]” that closes/],
    ['{They} reads] well', 12, /“\[” before/],
    ['Done [very] well', 5, /#fact/],
    ['A [b [c {#term}]]', 5, /before another/],
  ])('%s is wrong at %d', (text, position, message) => {
    expect(() => parsePhrase(text)).toThrow(message)
    try {
      parsePhrase(text)
    } catch (error) {
      expect((error as NotationError).position).toBe(position)
    }
  })

  const slot = fc.constantFrom(
    '{Name}',
    "{Name's}",
    '{Full name}',
    '{They}',
    '{their}',
    '{their|the}',
    '{themself}',
    '{writes}',
    "{doesn't}",
    '{a}',
    '{~careful}',
    ...factNames.map((fact) => `{#${fact}}`),
    '[ in {#best work}]',
  )
  const written = fc
    .array(fc.oneof(slot, fc.stringMatching(/^[a-zA-Z ,;“”’'"=-]{1,12}$/)), { minLength: 1, maxLength: 8 })
    .map((parts) => parts.join(''))

  it('survives reading and writing, and a CSV file, which a spreadsheet may have saved', () => {
    fc.assert(
      fc.property(
        written,
        fc.subarray([...tiers]),
        fc.subarray([...moves]),
        fc.constantFrom(...partKinds),
        fc.constantFrom(null, { from: 4, to: 6 }),
        (text, levels, move, part, grades) => {
          expect(writePhrase(parsePhrase(text))).toBe(text)
          const original = phrase('p', text.trim() === '' ? 'x' : text.trim(), {
            part,
            tiers: tiers.filter((tier) => levels.includes(tier)),
            moves: move,
            grades,
            tone: 'warm',
          })
          for (const file of [
            writePhrasebook({ phrases: [original] }),
            writePhrasebook({ phrases: [original] }).replaceAll('\r\n', '\n'),
          ]) {
            const [row] = readRecords('p.csv', readTable(file), []).records
            if (!row) throw new Error('the row is gone')
            expect(readPhraseRow(row, ['any'])).toEqual({ phrase: original, problems: [] })
          }
        },
      ),
    )
  })

  it('tells every wrong cell of a row', () => {
    const [row] = readRecords(
      'p.csv',
      readTable('id,subject,part,about,levels,text,grades\nx,alchemy,outcom,any,great,{They,9-4\n'),
      [],
    ).records
    expect(row && readPhraseRow(row, ['any']).problems.map((problem) => problem.column)).toEqual([
      'part',
      'subject',
      'levels',
      'grades',
    ])
  })
})

describe('plans', () => {
  it.each([
    'opening; outcome Number + outcome Measuring; habit keeping-going when high or low; progress when moved; next step; help at home; closing',
    'outcome strongest + outcome weakest when low; next step Number',
    'outcome each [must, at most 3]; habit each when high or low [may, at most 2]; next step [must]; closing [may]',
    'outcome Number [core]; outcome Counting [at most 20] + outcome Tables [must, soon]',
  ])('survive a round trip: %s', (plan) => {
    expect(writePlan(readPlan(plan))).toBe(plan)
  })
  it('say of a part that it must or may be said, and of how many; other brackets belong to a name', () => {
    expect(readPlan('outcome each when low [may, at most 2]; outcome Number [core]')).toEqual([
      { part: 'outcome', about: 'each', when: 'low', sharesSentence: false, need: 'may', atMost: 2 },
      { part: 'outcome', about: 'Number [core]', when: null, sharesSentence: false },
    ])
  })
  it.each([
    ['opening; moral', /no part/],
    ['outcome', /needs the name/],
    ['habit Care when blue', /no condition/],
  ])('%s is refused', (plan, message) => {
    expect(() => readPlan(plan)).toThrow(message)
  })
})
