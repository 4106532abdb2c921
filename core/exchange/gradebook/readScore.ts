import type { ResultState } from '../../marks/work'
import { pointsWords } from './pointsWords'

/** What a cell of a gradebook says: a result, nothing, or something that cannot be taken. */
export type ScoreCell =
  | { kind: 'empty' }
  | { kind: 'result'; state: ResultState; score: number | null; outOf: number | null }
  | { kind: 'refused'; reason: string }

/** What says of a result how it stands, in small letters and without accents: here, and what next door writes. */
const stateWords: readonly [ResultState, RegExp][] = [
  ['missing', /^(missing|m|not (handed|turned) in|not submitted|not (yet )?(done|in)|fehlt|nicht abgegeben)$/],
  ['missing', /^(manquant|non rendue?|falta)$/],
  ['missing', /^(miss|nhi|nothing( handed)? in|no work|did not hand in|owing|nicht gemacht|non fatto)$/],
  ['missing', /^(no entregad[oa]|non consegnat[oa]|niet ingeleverd|ej inlamnad|ikke (levert|afleveret))$/],
  ['late', /^(late|l|verspatet|zu spat|en retard|tarde|con retraso|in ritardo|te laat|for sent|sen|forsinket)$/],
  ['excused', /^(excused|exc?\.?|exempt(ed)?|entsch(uldigt|\.)?|befreit|disp(ensee?|ensat[oa]|\.)?|justificad[oa])$/],
  ['excused', /^(giustificat[oa]|vrijgesteld|fritaget|fritatt|befriad)$/],
  ['incomplete', /^(incomplet[eoa]?|inc|i|unvollstandig|onvolledig)$/],
]

/** No score has more letters; a page of text is not searched for one. */
const longest = 100

function stateOf(words: string): ResultState | undefined {
  const plain = words.normalize('NFD').replace(/\p{M}/gu, '')
  return stateWords.find(([, pattern]) => pattern.test(plain))?.[0]
}

/**
 * Reads one score as people write it: "17", "17,5", "17/20", "17 out of 20", "85 %", "late 12", "missing", "ex".
 * @param outOf the most that can be scored, where it is known
 *
 * @example readScore('85 %', 20) // 17 out of 20
 * readScore('absent', 20) // refused: “absent” is no score.
 */
export function readScore(written: string, outOf: number | null): ScoreCell {
  if (written.length > longest) return refusal(written.slice(0, longest))
  const tidy = plainly(written)
  if (/^([-–—]{0,3}|\.)$/.test(tidy)) return { kind: 'empty' }
  const ahead = /^(\p{L}[\p{L} ]*?\.?)\s*(?:(?:[:,]|[–-](?= ))?\s*(\d.*))?$/u.exec(tidy)
  // "14 (late)", "14 pts, late": the figures, and behind them how it stands, in a word: "14 m" may be metres.
  const [, before, behind = ''] = /^(\d.*?) ?[,;(–\- ] ?(\p{L}[\p{L} ]{2,}?) ?\)?$/u.exec(tidy) ?? []
  const state = ahead ? stateOf(ahead[1] ?? '') : stateOf(behind)
  if (ahead && state === undefined) return refusal(written)
  const figures = ahead ? ahead[2] : state === undefined ? tidy : before
  if (figures === undefined) return { kind: 'result', state: state ?? 'scored', score: null, outOf: null }
  return readFigures(written, figures, state ?? 'scored', outOf)
}

/** Words for a level in front of the figures, here and next door. */
const judged = new RegExp(
  '^(?:(?:very )?good|excellent|satisfactory|fair|weak|poor|pass|(?:sehr )?gut|befriedigend|ausreichend|mangelhaft|' +
    '(?:très |assez )?bien|notable|sobresaliente|(?:in)?suficiente|ottimo|distinto|buono|(?:in)?sufficiente) ' +
    '?\\((\\d+(?:[.,]\\d+)?)\\)$',
)

/**
 * Small letters, halves as decimals, "14L" as late, without pictures, and of what is said twice the points: "17½",
 * "17 1/2", "17 ↑", "17 (B)", "B 17", "good (17)", "17 (85 %)".
 */
function plainly(written: string): string {
  // Most cells are nothing but figures.
  if (/^\d+(?:[.,]\d+)?$/.test(written)) return written
  return written
    .replace(/(?<=\d.*)[\p{So}\u2190-\u21ff]|[\p{So}\u2190-\u21ff](?=.*\d)/gu, ' ')
    .trim()
    .replace(/\s+/g, ' ')
    .toLocaleLowerCase('en')
    .replace(judged, '$1')
    .replace(/^(\d[\d.,/]*) ?l$/, 'late $1')
    .replace(/^(\d*) ?(?:½|(?<= )1\/2)$/, '$1.5')
    .replace(/^\.(?=\d)/, '0.')
    .replace(/^(\d+)\.$/, '$1')
    .replace(/^(\d[\d.,/ ]*?) ?(?:[(=] ?|= ?)\d+(?:[.,]\d+)? ?% ?\)?$/, '$1')
    .replace(/^\d+(?:[.,]\d+)? ?% ?\((\d+(?:[.,]\d+)?)\)$/, '$1')
    .replace(/(\d\s*%?)\s*\((?:(?!late|missing)\p{L}[+-]?|\d+(?:st|nd|rd|th|\.))\)$/u, '$1')
    .replace(/^(\d[\d.,/ ]*%?) ?[a-df][+-]?$/, '$1')
    .replace(/^[a-df][+-]? ?\(? ?(\d[\d.,/ ]*%?) ?\)?$/, '$1')
    .trim()
}

const inUnits = /^(\d+(?:[.,]\d+)?) ?(\p{L}{1,4})\.?$/u

/**
 * What stands behind all figures of a column, as in "2.80 m" and "14 words"; null where it is not the same behind each.
 * Behind a single one it may say how the work stands.
 * @example unitOf(['2.80 m', '3.10 m', '']) // 'm'
 */
export function unitOf(cells: readonly string[]): string | null {
  const figures = cells.filter((cell) => /^\d/.test(cell))
  const [only, ...others] = new Set(figures.map((cell) => inUnits.exec(cell.trim())?.[2]?.toLowerCase() ?? null))
  return figures.length > 2 && others.length === 0 ? (only ?? null) : null
}

/** @example withoutUnit('2.80 m', 'm') // '2.80' */
export function withoutUnit(cell: string, unit: string | null): string {
  const [, figures, behind] = inUnits.exec(cell.trim()) ?? []
  return unit !== null && figures !== undefined && behind?.toLowerCase() === unit ? figures : cell
}

const inPoints = new RegExp(`\\s*${pointsWords}$`)

const scored = /^(-?\d+(?:[.,]\d+)?)\s*(?:(%)|(?:\/|out of|of|von|sur|de|su|van|av|af)\s*(\d+(?:[.,]\d+)?))?$/

function readFigures(written: string, figures: string, state: ResultState, outOf: number | null): ScoreCell {
  const plain = figures.replace(inPoints, '')
  const parts = scored.exec(plain)
  if (!parts) return refusal(written)
  const value = toNumber(parts[1] ?? '')
  const ownOutOf = parts[3] === undefined ? null : toNumber(parts[3])
  const most = ownOutOf ?? outOf
  if (value < 0) return { kind: 'refused', reason: `“${written}” is below zero.` }
  if (parts[2] === '%') {
    if (value > 100) return { kind: 'refused', reason: `“${written}” is more than 100 %.` }
    const score = Number(((value / 100) * (outOf ?? 100)).toFixed(8))
    return { kind: 'result', state, score, outOf: outOf ?? 100 }
  }
  if (most !== null && value > most) return { kind: 'refused', reason: `“${written}” is above the maximum of ${most}.` }
  if (ownOutOf !== null && outOf !== null && ownOutOf !== outOf) {
    const reason = `“${written}” is out of ${ownOutOf}, but this piece of work is out of ${outOf}.`
    return { kind: 'refused', reason }
  }
  return { kind: 'result', state, score: value, outOf: ownOutOf }
}

function refusal(written: string): ScoreCell {
  return {
    kind: 'refused',
    reason: `“${written}” is no score. Leave it empty, or write missing, late, excused or incomplete.`,
  }
}

function toNumber(figures: string): number {
  return Number(figures.replace(',', '.'))
}
