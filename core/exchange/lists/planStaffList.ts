import { readGrades, type GradeRange } from '../../people/gradeRange'
import { displayName, nameKey, readName, signInNameOf, type PersonName } from '../../people/names'
import type { StaffColumn } from './listColumns'
import type { ListRow, ReadList, RefusedRow } from './readList'

/** Somebody of the staff as a list has them. */
export interface ListedStaff extends PersonName {
  readonly signIn: string
  readonly role: 'teacher' | 'coordinator'
  readonly grades: GradeRange | null
}

/** What taking a list of staff in would do. */
export interface StaffListPlan {
  readonly added: readonly ListedStaff[]
  readonly unchanged: number
  readonly refused: readonly RefusedRow[]
}

/**
 * Whom a list of staff would take in. Who is there is known by the name to sign in with; where the list gives none, by
 * the names, from which one is made for who is new.
 */
export function planStaffList(
  list: ReadList<StaffColumn>,
  known: readonly Pick<ListedStaff, 'signIn' | 'given' | 'family'>[],
): StaffListPlan {
  const named = new Map(known.map((person) => [nameKey(displayName(person)), person]))
  const standing = new Map(known.map((person) => [person.signIn.toLowerCase(), person]))
  const rows = new Map<string, number>()
  const plan = { added: [] as ListedStaff[], unchanged: 0, refused: [] as RefusedRow[] }
  for (const row of list.rows) {
    const person = personOf(row)
    const taken =
      (row.cell('signIn') === '' ? named.get(nameKey(displayName(person))) : undefined) ?? standing.get(person.signIn)
    const before = rows.get(person.signIn)
    const reason =
      problemOf(row, person) ??
      (before === undefined
        ? null
        : `“${person.signIn}” stands in row ${before} already. Give one of them another name to sign in with.`)
    if (reason !== null) plan.refused.push({ row: row.row, reason })
    else if (taken && nameKey(displayName(taken)) === nameKey(displayName(person))) plan.unchanged += 1
    else if (taken)
      plan.refused.push({ row: row.row, reason: `${displayName(taken)} signs in as “${person.signIn}” already.` })
    else plan.added.push(person)
    if (reason === null) rows.set(person.signIn, row.row)
  }
  return plan
}

function personOf(row: ListRow<StaffColumn>): ListedStaff {
  const whole = readName(row.cell('name'))
  const given = row.cell('given') || whole.given || whole.family
  const family = row.cell('family') || (given === whole.family ? '' : whole.family)
  return {
    given,
    family,
    signIn: (row.cell('signIn') || signInNameOf({ given, family })).toLowerCase(),
    role: row.cell('role').toLowerCase() === 'coordinator' ? 'coordinator' : 'teacher',
    grades: readGrades(row.cell('grades')) ?? null,
  }
}

function problemOf(row: ListRow<StaffColumn>, person: ListedStaff): string | null {
  const [role, grades] = [row.cell('role'), row.cell('grades')]
  if (person.given === '' || person.signIn === '') return 'There is no name in this row.'
  if (!/^(teacher|coordinator)?$/i.test(role)) return `“${role}” is neither teacher nor coordinator.`
  if (readGrades(grades) === undefined) return `“${grades}” is no grade or range of grades: write 4 or 4-6.`
  return person.grades !== null && person.role === 'teacher' ? 'Only a coordinator coordinates grades.' : null
}
