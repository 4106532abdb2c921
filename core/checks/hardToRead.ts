import { fidelity } from '../narrative/followEdits'
import { readingGrade } from '../narrative/readingLevel'
import { sentencesOf } from '../narrative/sentences'
import { explanations } from './explanations'
import type { Check } from './finding'

/**
 * The measure was made on passages of about a hundred words; of a line it says nothing, and of a sentence or two it
 * swings by some grades with a word more or less. Ours.
 */
const fewestWords = 10
const short = { words: 30, grades: 4 }

/**
 * A text that is harder to read than the school's target (a short one: by far), with the sentence most to blame of
 * those that somebody has written.
 */
export const hardToRead: Check = ({ index, text, comment }) => {
  const words = text.trim().split(/\s+/).length
  if (words < fewestWords) return []
  const target = index.record.school.checks.readingTarget
  const grade = readingGrade(text)
  if (grade <= target + (words < short.words ? short.grades : 0)) return []
  // What stands as it was composed is in the school's own words for its skills: nobody can write it otherwise.
  const composed = comment?.sentences.filter((each) => fidelity(each, text) === 'as composed') ?? []
  const own = sentencesOf(text).filter(
    ({ start, end }) => !composed.some((each) => each.start <= start && each.end >= end),
  )
  const [first, ...others] = own
  if (!first) return []
  const hardest = others.reduce(
    (worst, each) => (readingGrade(each.text) > readingGrade(worst.text) ? each : worst),
    first,
  )
  const why = explanations['hard to read'](grade.toFixed(1), target)
  return [{ check: 'hard to read', why, start: hardest.start, end: hardest.end, mends: [] }]
}
