import { blankLeft } from './blankLeft'
import { classmateNamed } from './classmateNamed'
import { emptyBox } from './emptyBox'
import { factsMissing } from './factsMissing'
import type { Check, CheckInput, Finding } from './finding'
import { nameMissing } from './nameMissing'
import { overLimit } from './overLimit'
import { sameText } from './sameText'

const checks: readonly Check[] = [emptyBox, overLimit, blankLeft, classmateNamed, nameMissing, sameText, factsMissing]

/** Everything the checks find in one box of one student. */
export function checkComment(input: CheckInput): Finding[] {
  return checks.flatMap((check) => check(input))
}
