import type { Check, Finding } from './finding'

const seasons = ['autumn', 'winter', 'spring', 'summer']
const ahead = /\b(will|next|begin|look forward|plan|hope|shall|going to|ready for|until|can)\b/i
const wish = '(?:merry|happy|lovely|good|restful|peaceful|wonderful|great|over|during|enjoy|after)'

/** Days on which a wish for a holiday fits: months of the year, 1 to 12. */
const holidays: readonly { said: RegExp; months: readonly number[] }[] = [
  {
    said: new RegExp(`\\b${wish} (?:\\p{L}+ ){0,2}?(Christmas|winter holidays?|new year)\\b`, 'giu'),
    months: [11, 12, 1],
  },
  { said: new RegExp(`\\b${wish} (?:\\p{L}+ ){0,2}?(Easter|spring holidays?)\\b`, 'giu'), months: [2, 3, 4, 5] },
  { said: new RegExp(`\\b${wish} (?:\\p{L}+ ){0,2}?(summer holidays?|summer break)\\b`, 'giu'), months: [5, 6, 7, 8] },
]

/** Another term than this one, as it is left over from the report before: "this autumn" in spring. */
export const otherTime: Check = ({ index, text }) => {
  const { term, earlier } = index.record
  const named = (name: string): string[] => seasons.filter((season) => name.toLowerCase().includes(season))
  const now = named(term.name)
  const past = earlier.flatMap((each) => named(each.term.name))
  const month = Number(term.ends.slice(5, 7))
  return [
    ...(now.length === 0 ? [] : seasonsOf(text, now, past)),
    ...holidays
      .filter(({ months }) => !months.includes(month))
      .flatMap(({ said }) => [...text.matchAll(said)].map((match) => finding(match, match[1] ?? match[0], term.name))),
  ]
}

function seasonsOf(text: string, now: readonly string[], past: readonly string[]): Finding[] {
  const [current = ''] = now
  return [
    ...text.matchAll(/\b(this|(?:in|during|over|throughout) (?:the|this)) (autumn|winter|spring|summer)( term)?\b/gi),
  ].flatMap((match) => {
    const season = (match[2] ?? '').toLowerCase()
    const isThis = /this$/i.test(match[1] ?? '')
    const sentence = sentenceAround(text, match.index)
    if (now.includes(season) || ahead.test(sentence) || (!isThis && (past.includes(season) || !match[3]))) return []
    return [finding(match, `${match[2] ?? ''}${match[3] ?? ''}`, `the ${current} term`)]
  })
}

function sentenceAround(text: string, at: number): string {
  const from = Math.max(text.lastIndexOf('.', at), text.lastIndexOf('!', at), text.lastIndexOf('?', at)) + 1
  const [sentence = ''] = /^[^.!?]*/.exec(text.slice(from)) ?? []
  return sentence
}

function finding(match: RegExpExecArray, words: string, term: string): Finding {
  const start = match.index + match[0].length - words.length
  return {
    check: 'another time',
    why: `This report is of ${term}: is “${words}” left over from another?`,
    start,
    end: start + words.length,
    mends: [],
  }
}
