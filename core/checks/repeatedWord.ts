import { explanations } from './explanations'
import type { Check } from './finding'

/** The same word twice in a row: "in in". "Had had" and "that that" can be right. */
export const repeatedWord: Check = ({ text }) =>
  [...text.matchAll(/(?<![\p{L}’'-])([\p{L}’'-]+)(\s+)\1(?![\p{L}’'-])/giu)]
    .filter((match) => !/^(had|that)$/i.test(match[1] ?? ''))
    .map((match) => ({
      check: 'repeated word',
      why: explanations['repeated word'](match[1] ?? ''),
      start: match.index,
      end: match.index + match[0].length,
      mends: [
        {
          label: `Write “${match[1]}” once`,
          start: match.index + (match[1]?.length ?? 0),
          end: match.index + match[0].length,
          text: '',
        },
      ],
    }))
