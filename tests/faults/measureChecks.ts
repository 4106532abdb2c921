import { checkComment } from '../../core/checks/checkComment'
import type { ClassRecord } from '../../core/record/classRecord'
import type { StudentComment } from '../../core/record/termRecord'
import { markAgainstLevels } from '../../core/narrative/markAgainstLevels'
import { writeComments } from '../../core/record/draftBox'
import { narrativeFacts } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import { chanceOf, faultKinds, type CleanComment } from './faults'
import { ownWords } from './ownWords'

/** How a check did: faults put in and found, clean comments looked at and flagged. */
export interface Measure {
  kind: string
  put: number
  found: number
  missed: string[]
  clean: number
  flagged: string[]
}

/** A class with comments that have no fault. */
export interface Written {
  record: ClassRecord
  clean: CleanComment[]
}

/** What a kind of fault is reported as, where the check has another name. */
const reportedAs: Record<string, string[]> = {
  'pronoun in the wrong case': ['pronoun'],
  'his/her left over': ['pronoun'],
  'empty': ['empty', 'mark without comment'],
}

/** Every comment of a class drafted, so that there is something clean to spoil. */
export function cleanComments(record: ClassRecord): Written {
  return written(
    record,
    writeComments({ ...record, comments: [] }).filter(({ text }) => text !== ''),
  )
}

function written(before: ClassRecord, comments: StudentComment[]): Written {
  const record = { ...before, comments }
  const index = indexRecord(record)
  const clean = comments.flatMap((comment): CleanComment[] => {
    const student = record.students.find((each) => each.id === comment.studentId)
    const box = record.boxes.find((each) => each.key === comment.box)
    // Where the record itself tells two stories, its comment is not clean.
    return student && box && !markAgainstLevels(narrativeFacts(index, student.id, box))
      ? [{ record, student, box, comment }]
      : []
  })
  return { record, clean }
}

/** Comments in a teacher's own words, in place of all others of the class. */
export function commentsInOwnWords(record: ClassRecord): Written {
  const comments = ownWords.flatMap(([name, box, text]) => {
    const student = record.students.find((each) => each.usedName === name)
    return student
      ? [{ studentId: student.id, box, text, sentences: [], ownWords: true, status: 'in draft' as const, version: 1 }]
      : []
  })
  return written(record, comments)
}

/**
 * Puts `each` faults of every kind into clean comments and counts what the checks find; and what they find in the clean
 * ones. A kind for which no comment offers a place is left out.
 */
export function measureChecks({ record, clean }: Written, each: number): Measure[] {
  const index = indexRecord(record)
  const found = clean.map(({ student, box, comment }) => ({ comment, findings: checkComment(index, student, box) }))
  return Object.entries(faultKinds)
    .map(([kind, seed]) => {
      const names = reportedAs[kind] ?? [kind]
      const measure: Measure = {
        kind,
        put: 0,
        found: 0,
        missed: [],
        clean: clean.length,
        flagged: found.flatMap(({ comment, findings }) =>
          findings.some((finding) => names.includes(finding.check)) ? [comment.text] : [],
        ),
      }
      for (let nth = 0; measure.put < each && nth < each * 6; nth += 1) {
        const from = clean[nth % clean.length]
        const seeded = from && seed(from, chanceOf(`${kind} ${nth}`))
        if (!from || !seeded) continue
        measure.put += 1
        const findings = checkComment(indexRecord(seeded.record), from.student, from.box)
        if (findings.some((finding) => names.includes(finding.check))) measure.found += 1
        else measure.missed.push(seeded.comment.text)
      }
      return measure
    })
    .filter((measure) => measure.put > 0)
}
