import { findWords } from '../school/checkSettings'
import type { Check } from './finding'

/** Words that touch on health, a diagnosis, the family or money, which are not for a report. */
export const privateMatters: Check = ({ index, text }) => {
  const { privateMatters: matters } = index.record.school.checks
  return findWords(
    text,
    matters.flatMap((matter) => matter.words),
  ).map(({ word, start, end }) => {
    const about = matters.find((matter) => matter.words.includes(word))?.about ?? 'what is private'
    return {
      check: 'private matter',
      why: `“${text.slice(start, end)}” touches on ${about}. A report may be read by many.`,
      start,
      end,
      mends: [],
    }
  })
}
