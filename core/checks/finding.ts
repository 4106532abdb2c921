import type { CommentBox } from '../narrative/plan'
import type { Student, StudentComment } from '../record/classRecord'
import type { RecordIndex } from '../record/recordIndex'

/** What a check found, why it matters, and where it stands in the text (UTF-16 units, end exclusive). */
export interface Finding {
  check: string
  why: string
  start: number
  end: number
}

/** What every check looks at: one box of one student, in its class. */
export interface CheckInput {
  index: RecordIndex
  student: Student
  box: CommentBox
  comment: StudentComment | undefined
}

export type Check = (input: CheckInput) => Finding[]
