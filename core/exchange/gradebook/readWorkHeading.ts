import { mostWords, pointsWords, surelyMost } from './pointsWords'
import { readDate } from '../files/readDate'

const fullDate = /(?:^|[\s,;(])(\d{4}-\d{1,2}-\d{1,2}|\d{1,2}([./-])\d{1,2}\2(?:\d{4}|\d{2}))(?=$|[\s,;)])/
const dateInWords = /(?:^|[\s,;(])(\d{1,2}\.? \p{L}{3,}\.? \d{4}|\p{L}{3,}\.? \d{1,2}, \d{4})(?=$|[\s,;)])/u
const figures = '(\\d+(?:[.,]\\d+)?)'
const behind = `(?:\\s*${pointsWords})?(?:\\s*(?:max\\.?|possible|total))?`
const inBrackets = `[([{]\\s*(?:${mostWords}[\\s:]*)?${figures}${behind}\\s*[)\\]}]`
/** Without brackets a word has to say it, before the figures or behind them. */
const behindSign = `(?:/|[\\s_,:–|-](?:${surelyMost}|sur|von)[\\s_:]+)\\s*${figures}${behind}`
/** "Quiz 1: 20 points", "Quiz 1 20pts"; in "Test 1 points" the number is the test's. */
const inPoints = `(?:[,:–|]|\\s-)\\s*${figures}\\s*${pointsWords}|\\s${figures}(?!p$)${pointsWords}`
const ownMaximum = new RegExp(`^(.*[^\\s_,:–|-])[\\s_,:–|-]*(?:${inBrackets}|${behindSign}|${inPoints})$`, 'i')

/** "Unit 1 (%)": what its scores are counted in is no part of a title. */
const inPerCent = /^(.*\S)\s*(?:[([]\s*(?:in\s*)?%\s*[)\]]|,?\s(?:in\s)?%)$/

/** "Out of 20: Maps", "/20 Maps" */
const maximumAhead = /^(?:(?:out of|max\.?(?:imum)?)\s*(\d+(?:[.,]\d+)?)\s*[:–-]|\/(\d+)\s)\s*(\S.*)$/i

/**
 * A heading's own maximum, as in "Quiz 3 (20)" or "Quiz 3 /20", parted from the title; and a date that stands in it.
 * "12/10/2026" is a date and "12/10" may be one, so neither is a maximum.
 *
 * @example readWorkHeading('River quiz (20)') // { title: 'River quiz', outOf: 20, date: null }
 * @example readWorkHeading('Quiz 12/10/2026') // { title: 'Quiz 12/10/2026', outOf: null, date: '12/10/2026' }
 */
export function readWorkHeading(written: string): { title: string; outOf: number | null; date: string | null } {
  // A heading may be broken over lines in its cell.
  const heading = written.replace(/\s+/g, ' ').replace(inPerCent, '$1')
  const inWords = dateInWords.exec(heading)?.[1]
  const date = fullDate.exec(heading)?.[1] ?? (inWords && readDate(inWords) ? inWords : null)
  const ahead = maximumAhead.exec(heading)
  if (ahead) return { title: ahead[3] ?? heading, outOf: Number((ahead[1] ?? ahead[2])?.replace(',', '.')), date }
  const parts = ownMaximum.exec(heading)
  const most = parts?.slice(2).find((each) => each !== undefined)
  const endsInDate = /\d{1,2}[./-]\d{1,2}([./-]\d{2,4})?\)?$/.test(heading) && mayBeDate(heading)
  return parts && most !== undefined && !endsInDate
    ? { title: parts[1] ?? heading, outOf: Number(most.replace(',', '.')), date }
    : { title: heading, outOf: null, date }
}

/** Whether the figures at the end could be a day and a month, in either order. */
function mayBeDate(heading: string): boolean {
  const parts = /(\d{1,2})[./-](\d{1,2})(?:[./-]\d{2,4})?\)?$/.exec(heading)
  const [one, two] = [Number(parts?.[1] ?? 0), Number(parts?.[2] ?? 0)]
  return one > 0 && two > 0 && Math.max(one, two) <= 31 && Math.min(one, two) <= 12
}
