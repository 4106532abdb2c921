import { readingGrade } from '../narrative/readingLevel'
import { sentencesOf } from '../narrative/sentences'
import type { Check } from './finding'

/** Ours. */
const fewestWords = 10

/** A text that is harder to read than the school's target, with the sentence that is most to blame. */
export const hardReading: Check = ({ index, text }) => {
  // The measure is made for passages; of a line or two it says nothing.
  if (text.trim().split(/\s+/).length < fewestWords) return []
  const target = index.record.school.checks.readingTarget
  const grade = readingGrade(text)
  if (grade <= target) return []
  const hardest = sentencesOf(text).reduce((worst, each) =>
    readingGrade(each.text) > readingGrade(worst.text) ? each : worst,
  )
  const why = `The comment reads at grade ${grade.toFixed(1)}; the school’s target is ${target}. This sentence is the hardest.`
  return [{ check: 'hard to read', why, start: hardest.start, end: hardest.end, mends: [] }]
}
