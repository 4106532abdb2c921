import { dictionary } from 'cmu-pronouncing-dictionary'
import fc from 'fast-check'
import { fleschKincaid as referenceGrade } from 'flesch-kincaid'
import indefinite from 'indefinite'
import { syllable } from 'syllable'
import { describe, expect, it } from 'vitest'
import { articleBefore } from './article'
import { editDistance } from './editDistance'
import { lowerFirst } from './capitals'
import { countGraphemes } from './graphemes'
import { listOf } from './listOf'
import { possessiveOf } from './possessive'
import { fleschKincaid, readingGrade } from './readingLevel'
import { sentencesOf } from './sentences'
import { pluralVerb } from './verbs'
import { familyOf } from './wordFamily'

// Source: the npm package "indefinite", an independent implementation.
it.each([
  'hour',
  'unit',
  'apple',
  'honest',
  'European',
  'umbrella',
  'one',
  'uniform',
  'user',
  'heir',
  'eight',
  'university',
  'honour',
  'effective',
  'assured',
  'excellent',
  'uninspired',
  'usual',
  'unusual',
  'unanimous',
  'understanding',
  'idea',
  'house',
])('a or an before “%s” as the package says', (word) => {
  expect(articleBefore(word)).toBe(indefinite(word, { articleOnly: true }))
})
// Common practice; figures and single letters are read aloud.
it.each([
  ['8', 'an'],
  ['11', 'an'],
  ['18', 'an'],
  ['80', 'an'],
  ['1', 'a'],
  ['10', 'a'],
  ['100', 'a'],
  ['A', 'an'],
  ['B', 'a'],
  ['F', 'an'],
  ['U', 'a'],
])('%s is read with “%s”', (word, article) => {
  expect(articleBefore(word)).toBe(article)
})

it.each([
  ['has', 'have'],
  ['is', 'are'],
  ['does', 'do'],
  ['goes', 'go'],
  ['tries', 'try'],
  ['watches', 'watch'],
  ['passes', 'pass'],
  ['uses', 'use'],
  ['writes', 'write'],
  ['says', 'say'],
  ['mixes', 'mix'],
  ['doesn’t', "don't"],
])('she %s, they %s', (singular, plural) => {
  expect(pluralVerb(singular)).toBe(plural)
})

// Both ways with s are allowed by style manuals, x, z and hissing e always take ’s, and of owners together the last is
// marked (The Chicago Manual of Style, 17th ed., 7.16 to 7.23; from memory).
it.each([
  ['James', 'James’s', 'James’'],
  ['Louis', 'Louis’s', 'Louis’'],
  ['Max', 'Max’s', 'Max’s'],
  ['Inez', 'Inez’s', 'Inez’s'],
  ['Alice', 'Alice’s', 'Alice’s'],
  ['Maya and James', 'Maya and James’s', 'Maya and James’'],
])('the possessive of %s is %s, or %s', (name, full, bare) => {
  expect(possessiveOf(name, 'apostrophe and s')).toBe(full)
  expect(possessiveOf(name, 'apostrophe only')).toBe(bare)
})

// UAX 29: what a reader counts as one character is one. Reference: Intl.Segmenter itself, for any text.
it.each([
  ['abc', 3],
  ['Zoë', 3],
  ['Zoe\u0308', 3],
  ['👩🏽‍🏫', 1],
  ['', 0],
])('“%s” has %d characters', (text, count) => {
  expect(countGraphemes(text)).toBe(count)
})
it('counts any text as Intl.Segmenter does', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), (text) => {
      expect(countGraphemes(text)).toBe([...new Intl.Segmenter('en', { granularity: 'grapheme' }).segment(text)].length)
    }),
  )
})
it('cuts sentences where UAX 29 does, and not after an abbreviation inside one', () => {
  expect(sentencesOf('One is here. “Is it?” Yes!  It is 3.5 m long.').map((sentence) => sentence.text)).toEqual([
    'One is here.',
    '“Is it?”',
    'Yes!',
    'It is 3.5 m long.',
  ])
})

// Source: the list patterns of the Unicode CLDR for British English: commas, then “and” without a comma before it.
it.each([
  [[], ''],
  [['number'], 'number'],
  [['number', 'shape'], 'number and shape'],
  [['number', 'shape', 'data'], 'number, shape and data'],
])('the list of %j is “%s”', (words, text) => {
  expect(listOf(words)).toBe(text)
})
it.each([
  ['Number', 'number'],
  ['French', 'French'],
  ['ICT skills', 'ICT skills'],
  ['Élan', 'élan'],
])('%s inside a sentence is %s', (name, inside) => {
  expect(lowerFirst(name)).toBe(inside)
})

it.each([
  ['excellent', 'excellently'],
  ['excel', 'excellence'],
  ['thorough', 'thoroughly'],
  ['steady', 'steadily'],
  ['sensible', 'sensibly'],
  ['confident', 'confidence'],
  ['works', 'working'],
  ['reliable', 'reliably'],
])('%s and %s are one family', (one, other) => {
  expect(familyOf(one)).toBe(familyOf(other))
})
it.each([
  ['clear', 'clever'],
  ['steady', 'stead'],
  ['early', 'ear'],
  ['reading', 'real'],
])('%s and %s are not', (one, other) => {
  expect(familyOf(one)).not.toBe(familyOf(other))
})

describe('the reading grade', () => {
  it('is the published formula, as the npm package “flesch-kincaid” has it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 900 }),
        (sentence, word, syllables) => {
          expect(fleschKincaid(word / sentence, syllables / word)).toBeCloseTo(
            referenceGrade({ sentence, word, syllable: syllables }),
            9,
          )
        },
      ),
    )
  })
  // Worked by hand: 6 words, 1 sentence, 6 syllables; 0.39 × 6 + 11.8 × 1 − 15.59 = −1.45. Then 2 sentences, 7 words,
  // 13 syllables.
  it.each([
    ['The cat sat on the mat.', -1.45],
    ['Reading widely develops understanding. Practise every evening.', 0.39 * 3.5 + 11.8 * (18 / 7) - 15.59],
  ])('“%s” is at %d', (text, grade) => {
    expect(readingGrade(text)).toBeCloseTo(grade, 6)
  })
  // Source: the Carnegie Mellon Pronouncing Dictionary; a syllable is a vowel sound, which carries a stress mark.
  it('counts syllables as a pronouncing dictionary does, for nineteen words in twenty', () => {
    const words = [
      'mathematics',
      'reading',
      'confident',
      'paragraph',
      'explains',
      'reasons',
      'careful',
      'number',
      'practice',
      'measure',
      'temperature',
      'question',
      'science',
      'music',
      'rhythm',
      'colour',
      'picture',
      'animal',
      'family',
      'together',
      'answer',
      'spelling',
      'sentence',
      'remember',
      'library',
      'people',
      'evening',
      'partner',
      'experiment',
      'library',
    ]
    const same = words.filter((word) => {
      const spoken = dictionary[word === 'colour' ? 'color' : word]
      return spoken !== undefined && syllable(word) === (spoken.match(/\d/g) ?? []).length
    })
    expect(same.length / words.length).toBeGreaterThanOrEqual(0.9)
  })
})

// Source: the recurrence by which the distance is defined (Levenshtein 1965, from memory).
it('the distance between two texts is Levenshtein’s', () => {
  const letters = fc.array(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 7 })
  fc.assert(
    fc.property(letters, letters, fc.integer({ min: 0, max: 8 }), (a, b, atMost) => {
      const far = (i: number, j: number): number =>
        i === 0 || j === 0
          ? i + j
          : a[i - 1] === b[j - 1]
            ? far(i - 1, j - 1)
            : 1 + Math.min(far(i - 1, j), far(i, j - 1), far(i - 1, j - 1))
      expect(editDistance(a, b, atMost)).toBe(Math.min(atMost + 1, far(a.length, b.length)))
    }),
  )
})
