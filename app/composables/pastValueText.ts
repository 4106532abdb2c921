import type { PastValue } from '~~/contracts/history'
import { resultText } from '~~/core/marks/resultText'
import { percentText } from '~~/core/marks/rounding'

/**
 * A value as an event left it, in words.
 * @example pastValueText({ percent: 84, special: null, reason: null }) // '84 %'
 */
export function pastValueText(value: PastValue): string {
  if (value === null) return 'nothing'
  const { percent, special, reason, symbol, state, score, text, absences, lates } = value
  const mark = special ?? (percent === null || percent === undefined ? null : percentText(percent))
  if (mark !== null) return reason ? `${mark} (${reason})` : mark
  if (state) return resultText({ state, score: score ?? null })
  if (absences !== undefined) return `absent ${absences}, late ${lates}`
  return symbol ?? (text === undefined ? 'nothing' : `“${text}”`)
}
