import bidiFactory from 'bidi-js'
import LineBreaker from 'linebreak'
import { faceFor, hasSignsFor, ownFaces, type Face, type FontRole } from './faces'

/** A stretch of text in one style. */
export interface Piece {
  readonly text: string
  readonly role: FontRole
  readonly colour: string
}

/** What is drawn in one go: signs of one face, one style and one direction. */
export interface Run extends Piece {
  readonly face: Face
  /** The level of embedding by the Unicode Bidirectional Algorithm: odd from right to left. */
  readonly level: number
  readonly width: number
}

/** A line, its runs from left to right. */
export type Line = readonly Run[]

/** How wide signs of one face are, in points. */
export type Measure = (text: string, face: Face) => number

/** A character that no font here has. */
export class NoSign extends Error {
  constructor(readonly sign: string) {
    const codes = [...sign].map((each) => `U+${(each.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0')}`)
    super(`no font here has the character “${sign}” (${codes.join(' ')})`)
    this.name = 'NoSign'
  }
}

const bidi = bidiFactory()
/** Signs that have no shape of their own, and those among them that shape their neighbours. */
const shapeless = /(?![\u200c\u200d])\p{Default_Ignorable_Code_Point}/gu
const joiners = /[\u200c\u200d]/g
const graphemes = new Intl.Segmenter('en', { granularity: 'grapheme' })
const simple = /^[\x20-\x7e\u00a0-\u00ff\u2013\u2014\u2018-\u201d\u2026]*$/
const rightToLeft = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\u200f\u202b\u202e\u2067]/u

/** The same piece with its accents on their letters (NFC), which is how fonts have them. */
export function composed(piece: Piece): Piece {
  return simple.test(piece.text) ? piece : { ...piece, text: piece.text.normalize('NFC').replace(shapeless, '') }
}

/** Whether the role's own face has every sign and all of it runs from left to right: then one call sets it. */
export function isPlain({ text, role }: Piece): boolean {
  return simple.test(text) || (!rightToLeft.test(text) && hasSignsFor(ownFaces[role], text))
}

/**
 * Breaks pieces into lines of a width: each sign in a face that has it, breaks by UAX #14 (linebreak), order within a
 * line by UAX #9 (bidi-js). A word that is wider than the line is broken between signs.
 * @throws NoSign
 */
export function linesOf(pieces: readonly Piece[], width: number, measure: Measure): Line[] {
  const lines: Run[][] = []
  let line: Run[] = []
  let filled = 0
  const end = (): void => {
    lines.push(line)
    line = []
    filled = 0
  }
  for (const { runs, mustEnd } of wordsOf(pieces, measure)) {
    const wide = widthWithoutEnd(runs, measure)
    if (line.length > 0 && filled + wide > width) end()
    for (const run of wide > width ? runs.flatMap((each) => signsOf(each, measure)) : runs) {
      if (wide > width && line.length > 0 && filled + run.width > width) end()
      line.push(run)
      filled += run.width
    }
    if (mustEnd) end()
  }
  if (line.length > 0) end()
  return lines.map((each) => inSight(withoutEnd(each, measure)))
}

/** The words, each with the space behind it, in the order they are read. */
function* wordsOf(pieces: readonly Piece[], measure: Measure): Generator<{ runs: Run[]; mustEnd: boolean }> {
  const signs = signsWithFaces(pieces)
  const text = signs.map((each) => each.text).join('')
  const breaker = new LineBreaker(text)
  let at = 0
  let nth = 0
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
    const word: Omit<Run, 'width'>[] = []
    while (at < next.position && nth < signs.length) {
      const sign = signs[nth]
      if (!sign) break
      nth += 1
      at += sign.text.length
      const last = word.at(-1)
      if (last && last.face.name === sign.face.name && last.level === sign.level && last.colour === sign.colour) {
        word[word.length - 1] = { ...last, text: last.text + sign.text }
      } else word.push(sign)
    }
    yield { runs: word.map((run) => measured(run, measure)), mustEnd: next.required === true && at < text.length }
  }
}

function signsWithFaces(pieces: readonly Piece[]): Omit<Run, 'width'>[] {
  const signs = pieces.flatMap((piece) =>
    [...graphemes.segment(piece.text)].map(({ segment }) => ({
      ...piece,
      text: segment,
    })),
  )
  const text = signs.map((sign) => sign.text).join('')
  // A report is in English: what runs the other way is a name in an English sentence, or stands alone.
  const { levels } = bidi.getEmbeddingLevels(text, /\p{Script=Latin}/u.test(text) ? 'ltr' : undefined)
  let at = 0
  let before: Omit<Run, 'width'> | undefined
  return signs.map((sign) => {
    const level = levels[at] ?? 0
    at += sign.text.length
    before = { ...withFace(sign, level % 2 === 1 && before?.level === level ? before.face : undefined), level }
    return before
  })
}

/** A sign in a face that has it: where it stands among signs from right to left, in theirs. */
function withFace(sign: Piece, neighbours: Face | undefined): Piece & { face: Face } {
  if (neighbours && hasSignsFor(neighbours, sign.text)) return { ...sign, face: neighbours }
  const face = faceFor(sign.text, sign.role)
  if (face) return { ...sign, face }
  const text = sign.text.replace(joiners, '')
  const other = text === sign.text ? undefined : faceFor(text, sign.role)
  if (!other) throw new NoSign(sign.text)
  return { ...sign, text, face: other }
}

function measured(run: Omit<Run, 'width'>, measure: Measure): Run {
  return { ...run, width: measure(run.text, run.face) }
}

function signsOf(run: Run, measure: Measure): Run[] {
  return [...graphemes.segment(run.text)].map(({ segment }) => measured({ ...run, text: segment }, measure))
}

/** A line ends with its last word, not with the space behind it. */
function withoutEnd(runs: readonly Run[], measure: Measure): Run[] {
  const last = runs.at(-1)
  if (!last) return []
  const text = last.text.trimEnd()
  if (text === '') return withoutEnd(runs.slice(0, -1), measure)
  return [...runs.slice(0, -1), text === last.text ? last : measured({ ...last, text }, measure)]
}

function widthWithoutEnd(runs: readonly Run[], measure: Measure): number {
  return withoutEnd(runs, measure).reduce((sum, run) => sum + run.width, 0)
}

/** The runs of a line from left to right: rule L2 of the Unicode Bidirectional Algorithm. */
function inSight(runs: readonly Run[]): Line {
  const seen = [...runs]
  const highest = Math.max(0, ...runs.map((run) => run.level))
  for (let level = highest; level >= 1; level -= 1) {
    for (let from = 0; from < seen.length; from += 1) {
      let to = from
      while (to < seen.length && (seen[to]?.level ?? 0) >= level) to += 1
      if (to > from) seen.splice(from, to - from, ...seen.slice(from, to).reverse())
      from = to
    }
  }
  return seen.map((run) => (run.level % 2 === 1 && !rightToLeft.test(run.text) ? mirrored(run) : run))
}

/** Signs without a direction of their own, among such as run from right to left: "(" is seen as ")". */
function mirrored(run: Run): Run {
  const signs = [...graphemes.segment(run.text)].map(({ segment }) => bidi.getMirroredCharacter(segment) ?? segment)
  return { ...run, text: signs.reverse().join('') }
}
