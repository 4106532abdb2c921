import { explanations } from './explanations'
import type { Check, Mend } from './finding'
import { write } from './finding'

/** A blank that was never filled in, or notation left over: {…}, [name], ____, XXX, …. in place of words. */
export const blankLeft: Check = ({ text, student }) =>
  [...text.matchAll(/\{[^}]*\}?|\}|\[[^\]]*\]|_{2,}|\b[Xx]{2,}\b|\.{4,}|<[^>]*>|\bTB[CD]\b|\?{2,}/g)].map((match) => {
    const start = match.index
    const end = start + match[0].length
    return {
      check: 'blank left',
      why: explanations['blank left'](match[0]),
      start,
      end,
      mends: mendOf(match[0], start, end, student.usedName),
    }
  })

function mendOf(blank: string, start: number, end: number, name: string): Mend[] {
  return /name/i.test(blank) ? [write(name, start, end)] : []
}
