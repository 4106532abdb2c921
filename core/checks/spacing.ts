import type { Check, Finding } from './finding'
import { write } from './finding'

interface Rule {
  readonly find: RegExp
  readonly why: string
  readonly instead: (match: RegExpMatchArray) => string
}

const rules: readonly Rule[] = [
  { find: /(?<=\S) {2,}(?=\S)/g, why: 'There is more than one space here.', instead: () => ' ' },
  { find: /(?<=\S)\s*\n\s*(?=\S)/g, why: 'A line ends in the middle of the comment.', instead: () => ' ' },
  { find: /^\s+|\s+$/g, why: 'There is an empty space at the edge of the comment.', instead: () => '' },
  { find: / +(?=[.,;:!?])/g, why: 'There is a space before a stop.', instead: () => '' },
  { find: /(?<=\p{L})'(?=\p{L})|(?<=s)'(?=\s)/gu, why: 'This apostrophe is straight.', instead: () => '’' },
  { find: /"([^"\n]*)"/g, why: 'These quotation marks are straight.', instead: (match) => `“${match[1] ?? ''}”` },
]

/** Double spaces, stray line ends, straight quotes and apostrophes. */
export const spacing: Check = ({ text }) =>
  rules.flatMap(({ find, why, instead }) =>
    [...text.matchAll(find)].map((match): Finding => {
      const start = match.index ?? 0
      const end = start + match[0].length
      return {
        check: 'spacing and quotes',
        why,
        start,
        end,
        mends: [write(instead(match), start, end, 'Put it right')],
      }
    }),
  )
