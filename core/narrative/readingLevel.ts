import { syllable } from 'syllable'
import { memoizeWords } from '../memoize'
import { sentencesOf } from './sentences'

/**
 * The Flesch–Kincaid grade: the school year in which a text can be read.
 * 0.39 × words per sentence + 11.8 × syllables per word − 15.59
 * Source: J. P. Kincaid, R. P. Fishburne, R. L. Rogers and B. S. Chissom, "Derivation of new readability formulas for
 * Navy enlisted personnel", 1975. Syllables are counted by the npm package "syllable".
 * @returns 0 for a text without words
 *
 * @example readingGrade('She reads long books and tells what happens in them.') // 1.29
 */
export function readingGrade(text: string): number {
  const words = wordsOf(text)
  const sentences = sentencesOf(text).filter((sentence) => wordsOf(sentence.text).length > 0).length
  if (words.length === 0 || sentences === 0) return 0
  const syllables = words.reduce((sum, word) => sum + syllablesOf(word), 0)
  return fleschKincaid(words.length / sentences, syllables / words.length)
}

/** Comments say the same words again and again: more than a school’s have. */
const mostWords = 50_000

const syllablesOf = memoizeWords(mostWords, (word) => Math.max(1, syllable(word)))

/**
 * The formula itself, from words per sentence and syllables per word.
 * @example fleschKincaid(12, 1.4) // 5.61: sixth grade, words of 1.4 syllables in sentences of twelve
 */
export function fleschKincaid(wordsPerSentence: number, syllablesPerWord: number): number {
  return 0.39 * wordsPerSentence + 11.8 * syllablesPerWord - 15.59
}

function wordsOf(text: string): string[] {
  return text.match(/\p{L}[\p{L}\p{M}’'-]*/gu) ?? []
}
