import type { ListedStudent } from '../../contracts/classes'
import type { FolderRow } from '../../core/exchange/folder/recordFiles'
import type { StudentRow } from './tables'

/** What is kept of a child apart from any class, as it is written: pronouns as "she/her". */
export type StudentFields = Omit<ListedStudent, 'gradeLevel' | 'from' | 'to'>

/**
 * The columns of a child, by what each is called in the code. Whoever reads, writes, exports or imports children does
 * it through this list, which does not compile while the contract or the folder's file has a field more.
 */
export const studentColumns = {
  schoolNumber: 'school_number',
  legalGiven: 'legal_given',
  usedName: 'used_name',
  family: 'family',
  pronouns: 'pronouns',
} as const satisfies Record<keyof StudentFields, Exclude<keyof StudentRow, 'id'>>

/** What the columns of the folder's students.csv are called there. */
const inFolder = {
  number: 'schoolNumber',
  given: 'legalGiven',
  used: 'usedName',
  family: 'family',
  pronouns: 'pronouns',
} as const satisfies Record<keyof FolderRow<'students'>, keyof StudentFields>

const all = Object.entries(studentColumns) as [keyof StudentFields, (typeof studentColumns)[keyof StudentFields]][]

/** For json_build_object: the fields of a child by their names in the code. */
export const studentJson = all.map(([field, column]) => `'${field}', ${column}`).join(', ')

/** For a select: the same as columns of the answer. */
export const studentSelect = all.map(([field, column]) => `${column} as "${field}"`).join(', ')

/** For the folder: the same as its file calls them. */
export const studentSelectForFolder = Object.entries(inFolder)
  .map(([called, field]) => `${studentColumns[field]} as "${called}"`)
  .join(', ')

/** A child's fields as the columns of the table. */
export function studentRow({
  schoolNumber,
  legalGiven,
  usedName,
  family,
  pronouns,
}: StudentFields): Omit<StudentRow, 'id'> {
  return { school_number: schoolNumber, legal_given: legalGiven, used_name: usedName, family, pronouns }
}

/** A row of the table as a child's fields. */
export function studentOf({
  id,
  school_number,
  legal_given,
  used_name,
  family,
  pronouns,
}: StudentRow): StudentFields & {
  id: string
} {
  return { id, schoolNumber: school_number, legalGiven: legal_given, usedName: used_name, family, pronouns }
}

/** A row of the folder's students.csv as the columns of the table. */
export function studentRowOfFolder({
  number,
  given,
  used,
  family,
  pronouns,
}: FolderRow<'students'>): Omit<StudentRow, 'id'> {
  return studentRow({ schoolNumber: number, legalGiven: given, usedName: used, family, pronouns })
}
