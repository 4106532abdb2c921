import { readGrades } from '../../people/gradeRange'
import { nameKey } from '../../people/names'
import type { Skill, Subject } from '../../school/schoolSetup'
import { strandCalled } from '../../school/strand'
import { keyFor } from '../../school/keyFor'
import type { SkillColumn } from './listColumns'
import type { ListRow, ReadList, RefusedRow } from './readList'
import { yesOrNo } from './yesOrNo'

/** A skill as the set-up keeps it. */
export interface ListedSkill extends Skill {
  readonly position: number
  readonly retired: boolean
}

/** What taking a list of skills in would do. */
export interface SkillListPlan {
  readonly added: readonly ListedSkill[]
  readonly changed: readonly { was: ListedSkill; row: ListedSkill }[]
  readonly unchanged: number
  readonly refused: readonly RefusedRow[]
  /** Subjects that the school lacks, with how many rows are left out for it. */
  readonly without: readonly { subject: string; rows: number }[]
}

interface Known {
  readonly subjects: readonly Pick<Subject, 'key' | 'name' | 'strandNames'>[]
  readonly skills: readonly ListedSkill[]
  /** The subject of rows that name none. */
  readonly chosen: string
}

/**
 * What a list of skills would add and change. A skill that is there is known by its subject and its words; what the
 * list does not say stays as it is. A subject that the school lacks is told once, and its rows are left out.
 */
export function planSkillList(list: ReadList<SkillColumn>, known: Known): SkillListPlan {
  const subjects = new Map(
    known.subjects.flatMap(({ key, name }) => [[nameKey(name), key] as const, [nameKey(key), key]]),
  )
  const standing = new Map(known.skills.map((skill) => [placeOf(skill), skill]))
  const seen = new Map<string, number>()
  const lacking = new Map<string, number>()
  const plan = {
    added: [] as ListedSkill[],
    changed: [] as { was: ListedSkill; row: ListedSkill }[],
    unchanged: 0,
    refused: [] as RefusedRow[],
  }
  for (const row of list.rows) {
    const named = row.cell('subject')
    const subject = named === '' ? known.chosen : subjects.get(nameKey(named))
    if (subject === undefined) {
      lacking.set(named, (lacking.get(named) ?? 0) + 1)
      continue
    }
    const reason = problemOf(row, subject, seen)
    if (reason !== null) {
      plan.refused.push({ row: row.row, reason })
      continue
    }
    const place = placeOf({ subject, statement: row.cell('statement') })
    seen.set(place, row.row)
    const was = standing.get(place)
    if (was) {
      const after = said(row, was, known)
      if (JSON.stringify(after) === JSON.stringify(was)) plan.unchanged += 1
      else plan.changed.push({ was, row: after })
    } else plan.added.push(said(row, fresh(row, subject, known, plan.added), known))
  }
  return { ...plan, without: [...lacking].map(([subject, rows]) => ({ subject, rows })) }
}

function placeOf({ subject, statement }: Pick<Skill, 'subject' | 'statement'>): string {
  return `${subject}\u0000${nameKey(statement)}`
}

function problemOf(row: ListRow<SkillColumn>, subject: string, seen: ReadonlyMap<string, number>): string | null {
  const statement = row.cell('statement')
  if (statement === '') return 'There is no skill in this row.'
  const before = seen.get(placeOf({ subject, statement }))
  if (before !== undefined) return `“${statement}” stands in row ${before} already.`
  const grades = row.cell('grades')
  if (readGrades(grades) === undefined) return `“${grades}” is no grade or range of grades: write 4 or 4-6.`
  const only = row.cell('teacherOnly')
  return only === '' || yesOrNo(only) !== null ? null : `“${only}” is neither yes nor no.`
}

/** A skill with what the row says of it; what it does not say stays. */
function said(row: ListRow<SkillColumn>, was: ListedSkill, { subjects, skills }: Known): ListedSkill {
  const grades = row.cell('grades')
  const familyWords = row.cell('familyWords')
  const subject = subjects.find(({ key }) => key === was.subject)
  const strands = skills.flatMap((skill) => (skill.subject === was.subject ? [skill.strand] : []))
  const strand = row.cell('strand')
  return {
    ...was,
    strand: strand === '' ? was.strand : strandCalled(subject, strands, strand),
    familyWords: familyWords || was.familyWords,
    // Other words are told in other forms, which are found anew.
    does: familyWords === '' || familyWords === was.familyWords ? was.does : '',
    grades: grades === '' ? was.grades : (readGrades(grades) ?? null),
    teacherOnly: yesOrNo(row.cell('teacherOnly')) ?? was.teacherOnly,
  }
}

function fresh(row: ListRow<SkillColumn>, subject: string, known: Known, added: readonly ListedSkill[]): ListedSkill {
  const all = [...known.skills, ...added]
  const statement = row.cell('statement')
  return {
    id: keyFor(
      `${subject}-skill`,
      all.map((skill) => skill.id),
    ),
    subject,
    strand: known.subjects.find((each) => each.key === subject)?.name ?? '',
    statement,
    familyWords: statement,
    inSentence: '',
    does: '',
    grades: null,
    teacherOnly: false,
    position: Math.max(-1, ...all.map((skill) => skill.position)) + 1,
    retired: false,
  }
}
