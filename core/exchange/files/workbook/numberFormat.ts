/** How a workbook shows a number. */
export type NumberLook = 'number' | 'percent' | 'date' | 'time' | { readonly digits: number }

/**
 * The number formats that a workbook need not spell out (ECMA-376, part 1, 18.8.30; from memory): per cent, dates,
 * times. Those of the East Asian languages are dates too.
 */
export function lookOfBuiltIn(id: number): NumberLook {
  if (id === 9 || id === 10) return 'percent'
  if ((id >= 14 && id <= 17) || id === 22 || (id >= 27 && id <= 36) || (id >= 50 && id <= 58)) return 'date'
  return (id >= 18 && id <= 21) || (id >= 45 && id <= 47) ? 'time' : 'number'
}

/**
 * What a format's code makes of a number.
 * @example lookOfCode('dd/mm/yyyy') // 'date'
 * @example lookOfCode('00000') // { digits: 5 }: a school number with its noughts
 */
export function lookOfCode(code: string): NumberLook {
  // What stands in quotes, after a backslash or in brackets (colours, languages, conditions) is no part of it.
  const plain = code.replace(/"[^"]*"|\\.|\[[^\]]*\]|[_*]./g, '').split(';')[0] ?? ''
  if (/^0{2,}$/.test(plain.trim())) return { digits: plain.trim().length }
  if (plain.includes('%')) return 'percent'
  if (/[yd]/i.test(plain)) return 'date'
  return /[hs]/i.test(plain) ? 'time' : 'number'
}

const dayLength = 86_400_000
/** Day 0 of a workbook that counts from 1900 (which takes 1900 for a leap year), and of one that counts from 1904. */
const dayNought = { 1900: Date.UTC(1899, 11, 30), 1904: Date.UTC(1904, 0, 1) }

/**
 * A number as a workbook shows it: without the noise of binary fractions, a date as an ISO date.
 * @example numberText(0.1 + 0.2, 'number', 1900) // '0.3'
 * @example numberText(46300, 'date', 1900) // '2026-10-05'
 */
export function numberText(value: number, look: NumberLook, from: 1900 | 1904): string {
  if (look === 'percent') return `${tidy(value * 100)}%`
  if (look === 'date' || look === 'time') {
    const moment = new Date(dayNought[from] + Math.floor(value * dayLength + 0.5))
    if (Number.isNaN(moment.getTime())) return tidy(value)
    const [day = '', time = ''] = moment.toISOString().split('T')
    const clock = time.slice(0, 5)
    return look === 'time' && value < 1 ? clock : value % 1 === 0 ? day : `${day} ${clock}`
  }
  return typeof look === 'object' ? tidy(value).padStart(look.digits, '0') : tidy(value)
}

function tidy(value: number): string {
  return String(Number(value.toPrecision(12)))
}
