import type { CommentBox } from '../narrative/plan'
import type { RecordIndex } from '../record/recordIndex'
import type { Student } from '../record/roster'
import { checkComment, isAccepted } from './checkComment'
import type { Finding } from './finding'
import { languageFindings, type LanguageRemark } from './languageRemarks'
import { readableText, type ReadableText } from './readableText'

/** A text's remarks, of that very text and no other. */
export interface ReadText {
  readonly text: string
  readonly remarks: readonly LanguageRemark[]
}

/** A comment as a language checker can read it, with all names of its class stood in for. */
export function readableComment(text: string, student: Student, { students }: RecordIndex['record']): ReadableText {
  return readableText(text, student, [
    student.usedName,
    ...students.flatMap((each) => [each.usedName, each.legalGiven]),
  ])
}

/**
 * Words that are spelled right by definition, in lower case: the names of the class and of the year, part by part, the
 * class's pronouns, and the school's own words.
 * @example knownWords(record).has('luc') // true where a Jean-Luc is in the class
 */
export function knownWords({ students, namesInYear, school }: RecordIndex['record']): ReadonlySet<string> {
  const words = [
    ...students.flatMap((each) => [each.usedName, each.legalGiven, each.family]),
    ...namesInYear,
    ...students.flatMap(({ pronouns }) =>
      pronouns === 'name only' ? [] : Object.values(pronouns).filter((word) => typeof word === 'string'),
    ),
    ...school.checks.knownWords,
  ]
  return new Set(words.flatMap((word) => [word, ...word.split(/[\s-]/)]).map((word) => word.toLocaleLowerCase('en')))
}

/**
 * Everything that is found in one box of one student: what the checks say, and what a language checker remarks beyond
 * that. Remarks on a text that has changed since say nothing.
 */
export function findingsWithLanguage(
  index: RecordIndex,
  student: Student,
  box: CommentBox,
  { read, known }: { read: ReadText; known: ReadonlySet<string> },
): Finding[] {
  const text = index.commentOf(student.id, box.key)?.text ?? ''
  const own = checkComment(index, student, box)
  const language = read.text === text ? languageFindings(read.remarks, text, known) : []
  return [
    ...own,
    ...language.filter(
      (finding) =>
        !isAccepted(finding, { index, student, box, text }) &&
        // What a check of our own has found already is not said again; what is about spacing hides nothing.
        !own.some(
          (each) =>
            each.check !== 'spacing' &&
            each.start < finding.end &&
            each.end > finding.start &&
            each.end - each.start < text.length,
        ),
    ),
  ]
}
