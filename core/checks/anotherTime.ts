import { sentencesOf } from '../narrative/sentences'
import { anyOf, pattern } from '../text/pattern'
import { explanations } from './explanations'
import type { Check, Finding } from './finding'

const seasons = ['autumn', 'winter', 'spring', 'summer']
const ahead = /\b(will|next|begin|look forward|plan|hope|shall|going to|ready for|until|can)\b/i
const wish = anyOf('merry happy lovely good restful peaceful wonderful great over during enjoy after')
const wishFor = (days: string): RegExp => pattern(String.raw`\b${wish} (?:\p{L}+ ){0,2}?(${days})\b`)

/** Days on which a wish for a holiday fits: months of the year, 1 to 12. */
const holidays: readonly { said: RegExp; months: readonly number[] }[] = [
  { said: wishFor('Christmas|winter holidays?|new year'), months: [11, 12, 1] },
  { said: wishFor('Easter|spring holidays?'), months: [2, 3, 4, 5] },
  { said: wishFor('summer holidays?|summer break'), months: [5, 6, 7, 8] },
]

/** Another term than this one, as it is left over from the report before: "this autumn" in spring. */
export const anotherTime: Check = ({ index, text }) => {
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
  const sentences = sentencesOf(text)
  return [
    ...text.matchAll(/\b(this|(?:in|during|over|throughout) (?:the|this)) (autumn|winter|spring|summer)( term)?\b/gi),
  ].flatMap((match) => {
    const season = (match[2] ?? '').toLowerCase()
    const isThis = /this$/i.test(match[1] ?? '')
    const sentence = sentences.find(({ end }) => match.index < end)?.text ?? ''
    if (now.includes(season) || ahead.test(sentence) || (!isThis && (past.includes(season) || !match[3]))) return []
    return [finding(match, `${match[2] ?? ''}${match[3] ?? ''}`, `the ${current} term`)]
  })
}

function finding(match: RegExpExecArray, words: string, term: string): Finding {
  const start = match.index + match[0].length - words.length
  return {
    check: 'another time',
    why: explanations['another time'](words, term),
    start,
    end: start + words.length,
    mends: [],
  }
}
