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
  { find: / +(?=[.,;:!?](?!\.))/g, why: 'There is a space before a stop.', instead: () => '' },
  {
    find: /(?<=\p{Ll}{2})([.!?,;])(?=\p{L}{2})/gu,
    why: 'There is no space after this stop.',
    instead: (match) => `${match[1] ?? ''} `,
  },
  {
    find: /(?<=\p{L}{2}[.!?]\s+["“‘]?)\p{Ll}/gu,
    why: 'A sentence begins with a small letter.',
    instead: (match) => match[0].toLocaleUpperCase('en'),
  },
  {
    find: /(?<=[\p{L}\d])["”’)]?$/gu,
    why: 'The last sentence has no stop.',
    instead: (match) => `${match[0]}.`,
  },
]

/** After these a stop ends no sentence; ours. */
const abbreviation = /\b(e\.g|i\.e|etc|vs|approx|no|nos|pp|mr|mrs|ms|dr|st)\.\s+["“‘]?$/i

/** Spaces and stops: doubled, missing or where none belong, and what begins or ends without its sign. */
export const spacing: Check = ({ text }) =>
  rules.flatMap(({ find, why, instead }) =>
    [...text.matchAll(find)].flatMap((match): Finding[] => {
      const at = match.index ?? 0
      if (abbreviation.test(text.slice(0, at))) return []
      // Where something is missing, the word before it is shown.
      const end = at + match[0].length
      const start = match[0] === '' ? text.slice(0, at).search(/[\p{L}\d'’-]+$/u) : at
      const mend = write(text.slice(start, at) + instead(match), start, end, 'Put it right')
      return [{ check: 'spacing', why, start, end, mends: [mend] }]
    }),
  )
