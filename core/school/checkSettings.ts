import type { z } from 'zod'
import { memoizeWords } from '../memoize'
import type { checkSettingsSchema } from './checkSettingsSchema'

/** What a school wants of its comments. Every list can be edited. */
export type CheckSettings = z.infer<typeof checkSettingsSchema>

/** The lists that Facunda ships with: ours, made for a school to change. */
export const usualCheckSettings: CheckSettings = {
  nameWanted: true,
  readingTarget: 8,
  notWanted: [
    ['lazy', 'needs encouragement to begin'],
    ['naughty', ''],
    ['stupid', ''],
    ['dumb', ''],
    ['bossy', 'sure of what to do'],
    ['hopeless', ''],
    ['useless', ''],
    ['disruptive', 'finds it hard to let others work'],
    ['attention-seeking', ''],
    ['immature', ''],
    ['babyish', ''],
    ['rude', ''],
    ['sneaky', ''],
    ['liar', ''],
    ['cheeky', ''],
    ['chatterbox', 'talkative'],
    ['troublemaker', ''],
    ['annoying', ''],
    ['below average', 'working towards what is expected'],
    ['can’t be bothered', ''],
    ['doesn’t care', ''],
    ['obviously', ''],
  ].map(([words = '', instead = '']) => ({ words, instead })),
  privateMatters: [
    {
      about: 'health',
      words: [
        'illness',
        'hospital',
        'medication',
        'medicine',
        'therapy',
        'therapist',
        'counsellor',
        'psychologist',
        'anxiety',
        'depression',
        'asthma',
        'allergy',
        'epilepsy',
        'operation',
        'doctor',
      ],
    },
    {
      about: 'a diagnosis',
      words: [
        'diagnosis',
        'diagnosed',
        'ADHD',
        'ADD',
        'autism',
        'autistic',
        'dyslexia',
        'dyslexic',
        'dyspraxia',
        'dyscalculia',
        'disorder',
        'syndrome',
        'disability',
        'special needs',
      ],
    },
    {
      about: 'the family',
      words: [
        'divorce',
        'divorced',
        'custody',
        'foster',
        'adopted',
        'stepfather',
        'stepmother',
        'single mother',
        'single father',
        'funeral',
        'bereavement',
        'passed away',
        'prison',
        'police',
        'social worker',
        'pregnant',
        'pregnancy',
      ],
    },
    {
      about: 'money or status',
      words: [
        'poverty',
        'cannot afford',
        'unemployed',
        'benefits office',
        'free school meals',
        'unpaid',
        'refugee',
        'asylum',
        'immigrant',
        'visa',
        'religion',
        'religious',
      ],
    },
  ],
  knownWords: [],
}

/**
 * A search for whole words, whatever their case, with either apostrophe. For matchAll and search, which leave it as it
 * is.
 *
 * @example 'Mum and Mums'.match(wholeWords('mum')) // ['Mum']
 */
export function wholeWords(...words: string[]): RegExp {
  return searchFor(words, 'giu')
}

/**
 * The same, but only as they are written: for names, and for abbreviations such as ADD, which is not the word "add".
 *
 * @example 'Mum and mum'.match(exactWords('mum')) // ['mum'], the second one
 */
export function exactWords(...words: string[]): RegExp {
  return searchFor(words, 'gu')
}

function searchFor(words: readonly string[], flags: string): RegExp {
  return searchOf([flags, ...words].join('\u0000'))
}

/** About what some schools have of lists, names and words in them, each of which is looked for in every comment. */
const mostSearches = 3000

const searchOf = memoizeWords(mostSearches, (key) => {
  const [flags = '', ...words] = key.split('\u0000')
  const patterns = words
    .map((each) => each.trim())
    .filter(Boolean)
    .sort((a, b) => b.length - a.length)
    .map((each) =>
      each
        .replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
        .replace(/['’]/g, "['’]")
        .replace(/\s+/g, '\\s+'),
    )
  // A search for no words finds nothing.
  return new RegExp(
    patterns.length === 0 ? '(?!)' : `(?<![\\p{L}\\p{M}’'-])(?:${patterns.join('|')})(?![\\p{L}\\p{M}]|-\\p{L})`,
    flags,
  )
})

/**
 * Where words of a list stand in a text, each with the list's own spelling of it.
 * @example findWords('A trip to hospital.', ['hospital']) // where the word stands, whatever its case
 */
export function findWords(text: string, words: readonly string[]): { word: string; start: number; end: number }[] {
  const isAbbreviation = (word: string): boolean => /^\p{Lu}{2,}$/u.test(word.trim())
  const found = [
    ...text.matchAll(wholeWords(...words.filter((word) => !isAbbreviation(word)))),
    ...text.matchAll(exactWords(...words.filter(isAbbreviation))),
  ]
  return found.map((match) => ({
    word: words.find((word) => plain(word) === plain(match[0])) ?? match[0],
    start: match.index,
    end: match.index + match[0].length,
  }))
}

function plain(words: string): string {
  return words.trim().toLocaleLowerCase('en').replace(/’/g, "'").replace(/\s+/g, ' ')
}
