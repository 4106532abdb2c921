import { findWords } from '../school/checkSettings'
import { explanations } from './explanations'
import type { Check } from './finding'
import { write } from './finding'

/** Words that the school does not want in its reports. */
export const wordNotWanted: Check = ({ index, text }) => {
  const { notWanted } = index.record.school.checks
  return findWords(
    text,
    notWanted.map((each) => each.words),
  ).map(({ word, start, end }) => {
    const instead = notWanted.find((each) => each.words === word)?.instead ?? ''
    return {
      check: 'word not wanted',
      why: explanations['word not wanted'](text.slice(start, end)),
      start,
      end,
      mends: instead === '' ? [] : [write(instead, start, end)],
    }
  })
}
