import type { PronounSet } from '../../people/pronouns'
import type { PlainToken } from '../notation'

/** One thing that varies in a frame, where it stands in the text, and what else it could be. */
export interface FramePiece {
  readonly start: number
  readonly end: number
  /** How it is read; the likelier reading where there is a doubt. */
  readonly token: PlainToken
  /** Other readings, to be chosen by a click; the last one is always the plain words. */
  readonly others: readonly PlainToken[]
  /** A question to the writer, or null where the reading is sure. */
  readonly doubt: string | null
}

export interface Frame {
  readonly text: string
  readonly pieces: readonly FramePiece[]
}

/** What recognition knows besides the text. */
export interface FrameSetting {
  /** Names that may stand in the text: those of the class. Another capitalised name is found by its place. */
  readonly names: readonly string[]
  /** Sets of pronouns in use besides she, he and they. */
  readonly pronounSets: readonly PronounSet[]
  readonly describing: ReadonlySet<string>
  /** True for a part that always names the student, such as an opening. */
  readonly alwaysNamed: boolean
}

/** A word of the text with its place. */
export interface FrameWord {
  readonly text: string
  readonly lower: string
  readonly start: number
  readonly end: number
  /** Index of the sentence that it stands in. */
  readonly sentence: number
  /** True when a comma stands between it and the word before. */
  readonly afterComma: boolean
  /** True when a comma, full stop or the end follows. */
  readonly beforeStop: boolean
}

/** What has been read of a text so far. */
export interface Reading {
  readonly words: readonly FrameWord[]
  readonly name: string
  readonly set: PronounSet | null
  /** The last word read as the student in subject place, or as a verb of the student; its index. */
  subjectAt: number
  /** The words that were read as verbs of the student; their indexes. */
  readonly verbsAt: Set<number>
  /** True while the student's verbs are in the form that follows "they". */
  plural: boolean
  /** The sentence in which the name was last a subject. */
  namedIn: number
  /** True while its verb is still to come, behind a clause between commas. */
  goesOn: boolean
}

/** A reading of which nothing is read yet. */
export function beginReading(words: readonly FrameWord[], name: string, set: PronounSet | null): Reading {
  return { words, name, set, subjectAt: -1, verbsAt: new Set(), plural: false, namedIn: -1, goesOn: false }
}

/** A piece in the place of a word. */
export function piece(
  { start, end }: FrameWord,
  token: PlainToken,
  others: PlainToken[],
  doubt: string | null = null,
): FramePiece {
  return { start, end, token, others, doubt }
}
