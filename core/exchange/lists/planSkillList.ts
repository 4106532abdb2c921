import { readGrades } from '../../people/gradeRange'
import { nameKey } from '../../people/names'
import type { Skill, Subject } from '../../school/schoolSetup'
import { strandCalled } from '../../school/strand'
import { keyFor } from '../../school/keyFor'
import type { SkillColumn } from './listColumns'
import { NotTaken, planRows, type RowPlan } from './planRows'
import type { ListRow, ReadList } from './readList'
import { yesOrNo } from './yesOrNo'

/** A skill as the set-up keeps it. */
export interface ListedSkill extends Skill {
  readonly position: number
  readonly retired: boolean
}

/** What taking a list of skills in would do. */
export interface SkillListPlan extends RowPlan<ListedSkill> {
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
  const subjectOf = (row: ListRow<SkillColumn>): string | undefined => {
    const named = row.cell('subject')
    return named === '' ? known.chosen : subjects.get(nameKey(named))
  }
  const standing = new Map(known.skills.map((skill) => [skillKey(skill), skill]))
  const lacking = new Map<string, number>()
  for (const row of list.rows) {
    const named = row.cell('subject')
    if (subjectOf(row) === undefined) lacking.set(named, (lacking.get(named) ?? 0) + 1)
  }
  const rows = list.rows.filter((row) => subjectOf(row) !== undefined)
  const plan = planRows<SkillColumn, ListedSkill>(
    { ...list, rows },
    {
      nameOf: (row) => {
        const statement = row.cell('statement')
        if (statement === '') throw new NotTaken('There is no skill in this row.')
        return { name: statement, place: skillKey({ subject: subjectOf(row) ?? '', statement }) }
      },
      standing: (place) => standing.get(place),
      fresh: (row, added) => fresh(row, subjectOf(row) ?? '', known, added),
      said: (row, was) => said(row, was, known),
    },
  )
  return { ...plan, without: [...lacking].map(([subject, count]) => ({ subject, rows: count })) }
}

function skillKey({ subject, statement }: Pick<Skill, 'subject' | 'statement'>): string {
  return `${subject}\u0000${nameKey(statement)}`
}

/** A skill with what the row says of it; what it does not say stays. */
function said(row: ListRow<SkillColumn>, was: ListedSkill, { subjects, skills }: Known): ListedSkill {
  const grades = readGrades(row.cell('grades'))
  if (grades === undefined)
    throw new NotTaken(`“${row.cell('grades')}” is no grade or range of grades: write 4 or 4-6.`)
  const only = row.cell('teacherOnly')
  if (only !== '' && yesOrNo(only) === null) throw new NotTaken(`“${only}” is neither yes nor no.`)
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
    grades: grades ?? was.grades,
    teacherOnly: yesOrNo(only) ?? was.teacherOnly,
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
