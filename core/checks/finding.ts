import type { CheckKey } from '../record/checkKeys'
import type { CommentBox } from '../narrative/plan'
import type { Student } from '../record/roster'
import type { StudentComment } from '../record/termRecord'
import type { RecordIndex } from '../record/recordIndex'

/** A change to the text that puts a finding right: the range's words give way to others. */
export interface Mend {
  /** What the button says: "Write “her”". */
  readonly label: string
  readonly start: number
  readonly end: number
  readonly text: string
}

/** What a check found, why it matters, and where it stands in the text (UTF-16 units, end exclusive). */
export interface Finding {
  readonly check: CheckKey
  /** A sentence for the teacher. */
  readonly why: string
  readonly start: number
  readonly end: number
  /** The likeliest first; none where only the teacher can say what is right. */
  readonly mends: readonly Mend[]
}

/** What every check looks at: one box of one student, in its class. */
export interface CheckInput {
  readonly index: RecordIndex
  readonly student: Student
  readonly box: CommentBox
  readonly comment: StudentComment | undefined
  /** The comment's words; "" where there is none. */
  readonly text: string
}

export type Check = (input: CheckInput) => Finding[]

/**
 * A mend that writes these words in place of a finding's.
 * @example write('her', 10, 13) // { label: 'Write “her”', start: 10, end: 13, text: 'her' }
 */
export function write(text: string, start: number, end: number, label = `Write “${text}”`): Mend {
  return { label, start, end, text }
}

/**
 * A finding that is about the whole text, or about there being none.
 * @example ofWhole('empty', 'Nothing is written here yet.', input) // a finding from the first to the last letter
 */
export function ofWhole(check: CheckKey, why: string, input: CheckInput, mends: Mend[] = []): Finding {
  return { check, why, start: 0, end: input.text.length, mends }
}

/**
 * The words by which a finding is known again after the text around it has changed.
 * @example quotedWords({ start: 10, end: 13 }, 'Maya read his book.') // 'his'; '' for the whole text
 */
export function quotedWords({ start, end }: Pick<Finding, 'start' | 'end'>, text: string): string {
  return start === 0 && end === text.length ? '' : text.slice(start, end)
}
