import { memoize } from '../memoize'
import { familyOf } from '../narrative/wordFamily'
import type { DescribingWords } from '../narrative/phrase'
import { explanations } from './explanations'
import type { Check } from './finding'
import { write } from './finding'

/** A describing word, or a close relative of it, twice in one comment. */
export const describingWordTwice: Check = ({ index, text }) => {
  const tierOf = wordsByFamily(index.record.phrasebook.describing)
  const seen = new Map<string, string>()
  return [...text.matchAll(/\p{L}[\p{L}\p{M}’'-]*/gu)].flatMap((match) => {
    const family = familyOf(match[0])
    const words = tierOf.get(family)
    if (!words) return []
    const before = seen.get(family)
    seen.set(family, before ?? match[0])
    if (before === undefined) return []
    const end = match.index + match[0].length
    // Another word stands in only for a word of the list itself, not for its relatives.
    const others = words.includes(match[0])
      ? words
          .filter((word) => !seen.has(familyOf(word)) && /^[aeiou]/.test(word) === /^[aeiou]/.test(match[0]))
          .slice(0, 3)
      : []
    return [
      {
        check: 'describing word twice',
        why: explanations['describing word twice'](match[0], before),
        start: match.index,
        end,
        mends: others.map((word) => write(word, match.index, end)),
      },
    ]
  })
}

/** For the family of each describing word the words of its tier. */
const wordsByFamily = memoize(
  (describing: DescribingWords) =>
    new Map(Object.values(describing).flatMap((words) => words.map((word) => [familyOf(word), words] as const))),
)
