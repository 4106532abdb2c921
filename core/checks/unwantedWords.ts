import { findWords } from '../school/checkSettings'
import type { Check } from './finding'
import { write } from './finding'

/** Words that the school does not want in its reports. */
export const unwantedWords: Check = ({ index, text }) => {
  const { notWanted } = index.record.school.checks
  return findWords(
    text,
    notWanted.map((each) => each.words),
  ).map(({ word, start, end }) => {
    const instead = notWanted.find((each) => each.words === word)?.instead ?? ''
    return {
      check: 'word not wanted',
      why: `The school does not want “${text.slice(start, end)}” in a report.`,
      start,
      end,
      mends: instead === '' ? [] : [write(instead, start, end)],
    }
  })
}
