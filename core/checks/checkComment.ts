import type { CommentBox } from '../narrative/plan'
import type { Student } from '../record/classRecord'
import type { RecordIndex } from '../record/recordIndex'
import { blankLeft } from './blankLeft'
import { classmateNamed } from './classmateNamed'
import { contradicts } from './contradicts'
import { describingTwice } from './describingTwice'
import { emptyBox } from './emptyBox'
import { factsMissing } from './factsMissing'
import { wordsOf, type Check, type Finding, type Mend } from './finding'
import { hardReading } from './hardReading'
import { markAndLevels } from './markAndLevels'
import { nameMissing } from './nameMissing'
import { outOfStep } from './outOfStep'
import { overLimit } from './overLimit'
import { privateMatters } from './privateMatters'
import { repeatedWord } from './repeatedWord'
import { sameText } from './sameText'
import { spacing } from './spacing'
import { unwantedWords } from './unwantedWords'
import { wrongPronoun } from './wrongPronoun'

const checks: readonly Check[] = [
  emptyBox,
  outOfStep,
  contradicts,
  classmateNamed,
  wrongPronoun,
  nameMissing,
  blankLeft,
  privateMatters,
  unwantedWords,
  overLimit,
  repeatedWord,
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
    .filter((finding) => !isAccepted(finding, index, student.id, box.key, text))
}

/** Whether the teacher has said of these very words that they are right. */
export function isAccepted(
  finding: Finding,
  index: RecordIndex,
  studentId: string,
  box: string,
  text: string,
): boolean {
  const words = wordsOf(finding, text)
  return index.record.accepted.some(
    (each) => each.studentId === studentId && each.box === box && each.check === finding.check && each.words === words,
  )
}

/** The text with a mend made. */
export function mended(text: string, { start, end, text: instead }: Mend): string {
  return text.slice(0, start) + instead + text.slice(end)
}
