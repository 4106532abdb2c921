import type { CommentBox } from '../narrative/plan'
import type { Student } from '../record/roster'
import type { RecordIndex } from '../record/recordIndex'
import { takes } from '../record/takers'
import { anotherName } from './anotherName'
import { anotherSubject } from './anotherSubject'
import { anotherTime } from './anotherTime'
import { blankLeft } from './blankLeft'
import { commentWithoutMark } from './commentWithoutMark'
import { contradicts } from './contradicts'
import { describingWordTwice } from './describingWordTwice'
import { empty } from './empty'
import { quotedWords, type Check, type CheckInput, type Finding, type Mend } from './finding'
import { grammar } from './grammar'
import { hardToRead } from './hardToRead'
import { markAndLevelsDiffer } from './markAndLevelsDiffer'
import { markWithoutComment } from './markWithoutComment'
import { nameMissing } from './nameMissing'
import { notSettled } from './notSettled'
import { numbersWrong } from './numbersWrong'
import { outOfStep } from './outOfStep'
import { ownName } from './ownName'
import { privateMatter } from './privateMatter'
import { pronoun } from './pronoun'
import { readItFirst } from './readItFirst'
import { repeatedWord } from './repeatedWord'
import { sameText } from './sameText'
import { spacing } from './spacing'
import { tooLong } from './tooLong'
import { veryShort } from './veryShort'
import { wordNotWanted } from './wordNotWanted'

const checks: readonly Check[] = [
  empty,
  markWithoutComment,
  outOfStep,
  readItFirst,
  contradicts,
  numbersWrong,
  anotherName,
  ownName,
  pronoun,
  nameMissing,
  blankLeft,
  privateMatter,
  anotherSubject,
  anotherTime,
  wordNotWanted,
  tooLong,
  veryShort,
  repeatedWord,
  grammar,
  describingWordTwice,
  sameText,
  hardToRead,
  commentWithoutMark,
  notSettled,
  markAndLevelsDiffer,
  spacing,
]

/**
 * Everything the checks find in one box of one student, but for what the teacher has said is right. Of a subject that
 * the child does not take nothing is asked.
 */
export function checkComment(index: RecordIndex, student: Student, box: CommentBox): Finding[] {
  if (!takes(student, box.subject)) return []
  const comment = index.commentOf(student.id, box.key)
  const text = comment?.text ?? ''
  return checks
    .flatMap((check) => check({ index, student, box, comment, text }))
    .filter((finding) => !isAccepted(finding, { index, student, box, text }))
}

/**
 * Whether the teacher has said of these very words that they are right.
 * @example
 * isAccepted(finding of “his”, input) // true once the teacher has said of “his” in this box that it is right
 */
export function isAccepted(
  { check, ...range }: Finding,
  { index, student, box, text }: Pick<CheckInput, 'index' | 'student' | 'box' | 'text'>,
): boolean {
  const words = quotedWords(range, text)
  return index.record.accepted.some(
    (each) => each.studentId === student.id && each.box === box.key && each.check === check && each.words === words,
  )
}

/**
 * The text with a mend made.
 * @example mended('Maya read his book.', { start: 10, end: 13, text: 'her', label: '…' }) // 'Maya read her book.'
 */
export function mended(text: string, { start, end, text: instead }: Mend): string {
  return text.slice(0, start) + instead + text.slice(end)
}
