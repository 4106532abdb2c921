import { rewordComment } from '../core/narrative/reword'
import type { ClassRecord } from '../core/record/classRecord'
import { classmatesOfComments } from '../core/record/classmatesOfComments'
import { draftRequest } from '../core/record/narrativeFacts'
import { indexRecord } from '../core/record/recordIndex'

/**
 * What a click on "Another wording of all" works out, for each comment of a class in turn, all others standing.
 * @returns milliseconds
 */
export function redraftEach(record: ClassRecord): number[] {
  const index = indexRecord(record)
  const { phrasebook, comments } = record
  return comments.flatMap((comment) => {
    const student = index.student(comment.studentId)
    const box = record.boxes.find(({ key }) => key === comment.box)
    if (!student || !box || comment.text === '') return []
    const others = comments.filter((each) => each.box === box.key && each !== comment)
    const shown = new Map(comment.sentences.flatMap(({ phraseIds }) => phraseIds.map((id) => [id, 1])))
    const from = performance.now()
    const classmates = classmatesOfComments(others, record)
    rewordComment(draftRequest(index, student, box), comment, 'another', { phrasebook, shown, classmates })
    return [performance.now() - from]
  })
}
