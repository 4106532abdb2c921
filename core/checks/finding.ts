import type { CommentBox } from '../narrative/plan'
import type { Student, StudentComment } from '../record/classRecord'
import type { RecordIndex } from '../record/recordIndex'

/** A change to the text that puts a finding right: the range's words give way to others. */
export interface Mend {
  /** What the button says: "Write “her”". */
  label: string
  start: number
  end: number
  text: string
}

/** What a check found, why it matters, and where it stands in the text (UTF-16 units, end exclusive). */
export interface Finding {
  check: string
  /** A sentence for the teacher. */
  why: string
  start: number
  end: number
  /** The likeliest first; none where only the teacher can say what is right. */
  mends: Mend[]
}

/** What every check looks at: one box of one student, in its class. */
export interface CheckInput {
  index: RecordIndex
  student: Student
  box: CommentBox
  comment: StudentComment | undefined
  /** The comment's words; "" where there is none. */
  text: string
}

export type Check = (input: CheckInput) => Finding[]

/** A mend that writes these words in place of a finding's. */
export function write(text: string, start: number, end: number, label = `Write “${text}”`): Mend {
  return { label, start, end, text }
}

/** A finding that is about the whole text, or about there being none. */
export function ofWhole(check: string, why: string, input: CheckInput, mends: Mend[] = []): Finding {
  return { check, why, start: 0, end: input.text.length, mends }
}

/** What "this is right" remembers: the check and the words it pointed at, wherever they stand. */
export interface AcceptedFinding {
  studentId: string
  box: string
  check: string
  words: string
}

/** The words by which a finding is known again after the text around it has changed. */
export function wordsOf({ start, end }: Pick<Finding, 'start' | 'end'>, text: string): string {
  return start === 0 && end === text.length ? '' : text.slice(start, end)
}
