import { sentencesOf } from './sentences'

/** A part of a sentence that says one thing, with its place in the text. */
export interface Clause {
  readonly text: string
  readonly start: number
  readonly end: number
}

const seam =
  /[;:]|,\s+(?=(?:and|but|while|although|though|whereas|yet|so)\b)|\s+(?=(?:but|while|although|though|whereas)\s)/g

/**
 * A text's clauses, cut where a new thing is said: a judgement on one is none on the next.
 * @example clausesOf('She adds well, but graphs are hard.').map(({ text }) => text)
 * // ['She adds well', 'but graphs are hard.']
 */
export function clausesOf(text: string): Clause[] {
  return sentencesOf(text).flatMap((sentence) => {
    const cuts = [...sentence.text.matchAll(seam)]
    const ends = [...cuts.map(({ index }) => index), sentence.text.length]
    const starts = [0, ...cuts.map((match) => match.index + match[0].length)]
    return starts.map((from, nth) => {
      const to = ends[nth] ?? from
      return { text: sentence.text.slice(from, to), start: sentence.start + from, end: sentence.start + to }
    })
  })
}
