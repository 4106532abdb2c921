import type { CommentBox } from '../narrative/plan'
import type { Student } from '../record/roster'
import type { RecordIndex } from '../record/recordIndex'
import { blankLeft } from './blankLeft'
import { classmateNamed } from './classmateNamed'
import { contradicts } from './contradicts'
import { describingTwice } from './describingTwice'
import { emptyBox } from './emptyBox'
import { factsMissing } from './factsMissing'
import { quotedWords, type Check, type CheckInput, type Finding, type Mend } from './finding'
import { hardReading } from './hardReading'
import { markAndLevels } from './markAndLevels'
import { nameMissing } from './nameMissing'
import { numbersWrong } from './numbersWrong'
import { otherSubject } from './otherSubject'
import { otherTime } from './otherTime'
import { outOfStep } from './outOfStep'
import { overLimit } from './overLimit'
import { ownNameMisspelt } from './ownNameMisspelt'
import { privateMatters } from './privateMatters'
import { readFirst } from './readFirst'
import { repeatedWord } from './repeatedWord'
import { sameText } from './sameText'
import { slipsOfTheHand } from './slips'
import { spacing } from './spacing'
import { unwantedWords } from './unwantedWords'
import { wrongPronoun } from './wrongPronoun'

const checks: readonly Check[] = [
  emptyBox,
  outOfStep,
  readFirst,
  contradicts,
  numbersWrong,
  classmateNamed,
  ownNameMisspelt,
  wrongPronoun,
  nameMissing,
  blankLeft,
  privateMatters,
  otherSubject,
  otherTime,
  unwantedWords,
  overLimit,
  repeatedWord,
  slipsOfTheHand,
  describingTwice,
  sameText,
  hardReading,
  factsMissing,
  markAndLevels,
  spacing,
]

/** Everything the checks find in one box of one student, but for what the teacher has said is right. */
export function checkComment(index: RecordIndex, student: Student, box: CommentBox): Finding[] {
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
