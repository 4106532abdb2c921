import { exactWords, findWords } from '../school/checkSettings'
import { explanations } from './explanations'
import type { Check, Finding } from './finding'
import { indirect, isMeantOtherwise } from './privateInContext'

/**
 * What touches on health, a diagnosis, the family, belief or money, which are not for a report: by the school's words,
 * unless they are meant otherwise here, and by turns of phrase. The title of a piece of work touches on nobody.
 */
export const privateMatter: Check = ({ index, text }) => {
  const { privateMatters: matters } = index.record.school.checks
  const titles = [...text.matchAll(exactWords(...index.record.work.map(({ title }) => title)))]
  const words = findWords(
    text,
    matters.flatMap((matter) => matter.words),
  )
    .filter((place) => !isMeantOtherwise(place.word, text, place))
    .map(({ word, start, end }) => ({
      about: matters.find((matter) => matter.words.includes(word))?.about ?? 'what is private',
      start,
      end,
    }))
  const phrases = indirect.flatMap(({ about, said }) =>
    [...text.matchAll(said)].map((match) => ({ about, start: match.index, end: match.index + match[0].length })),
  )
  return [...words, ...phrases.filter((each) => !words.some(({ start, end }) => start < each.end && end > each.start))]
    .filter(({ start, end }) => !titles.some(({ index: at, 0: title }) => at <= start && end <= at + title.length))
    .map(({ about, start, end }): Finding => ({
      check: 'private matter',
      start,
      end,
      mends: [],
      why: explanations['private matter'](text.slice(start, end), about),
    }))
}
