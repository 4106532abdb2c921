import type { Draft } from '../narrative/because'
import { draftClass } from '../narrative/draftClass'
import type { CommentBox } from '../narrative/plan'
import type { ClassRecord } from './classRecord'
import { classmatesOfComments } from './classmatesOfComments'
import { draftRequest } from './narrativeFacts'
import { indexRecord, type RecordIndex } from './recordIndex'
import type { Student } from './roster'
import { takersOf } from './takers'
import type { StudentComment } from './termRecord'

/** What was composed for a student, and what stood in the box. */
export interface DraftedBox {
  readonly student: Student
  readonly now: StudentComment | undefined
  readonly draft: Draft
}

/**
 * Composes a box for those of the class for whom it is open and who take its subject, in the order of the class list;
 * what stands of the others, and in each child's other boxes, counts.
 * @example draftBox(index, box, ({ now }) => !now) // the empty boxes
 */
export function draftBox(
  index: RecordIndex,
  box: CommentBox,
  isOpen: (each: Pick<DraftedBox, 'student' | 'now'>) => boolean,
): DraftedBox[] {
  const { phrasebook } = index.record
  const students = takersOf(index.record.students, box.subject)
  const standing = students.map((student) => ({ student, now: index.commentOf(student.id, box.key) }))
  const open = standing.filter(isOpen)
  const kept = standing.filter((each) => !isOpen(each)).flatMap(({ now }) => now ?? [])
  const drafts = draftClass(
    open,
    ({ student }) => draftRequest(index, student, box),
    phrasebook,
    classmatesOfComments(kept, index.record),
  )
  return open.flatMap((each, at) => {
    const draft = drafts[at]
    return draft ? [{ ...each, draft }] : []
  })
}

/** A draft as it is kept. */
export function draftedComment({ student, draft }: DraftedBox, box: CommentBox): StudentComment {
  const { text, sentences } = draft
  return { studentId: student.id, box: box.key, text, sentences, ownWords: false, status: 'in draft', version: 0 }
}

/**
 * Every comment of a class: what is written stays, what is empty is composed, box by box in the order of the school, as
 * a teacher does who begins on the left. An empty text where nothing can be said.
 */
export function writeComments(record: ClassRecord): StudentComment[] {
  const written: StudentComment[] = []
  for (const box of record.boxes) {
    // What a child's other boxes say by now counts for the next one.
    const index = indexRecord({ ...record, comments: [...written, ...record.comments] })
    const isEmpty = (text: string | undefined): boolean => (text ?? '') === ''
    const kept = record.students.flatMap(({ id }) => index.commentOf(id, box.key) ?? [])
    const drafted = draftBox(index, box, ({ now }) => isEmpty(now?.text))
    written.push(...kept.filter(({ text }) => !isEmpty(text)), ...drafted.map((each) => draftedComment(each, box)))
  }
  return written
}
