import { lowerFirst } from '../../narrative/capitals'
import { studentMatcher, type Match } from '../../people/matchStudent'
import { nameKey } from '../../people/names'
import { nameOf } from './childFinder'
import { pastedFields, type PastedField, type PastedStudent } from './pastedStudents'
import type { RefusedRow } from './readList'

/** A child of a class as it is listed. */
export type RosterChild = Readonly<Record<PastedField, string>> & { readonly id: string }

/** A child whom a list says something new of. */
export interface RosterChange<Child extends RosterChild> {
  readonly row: number
  readonly was: Child
  readonly fields: Partial<Record<PastedField, string>>
  /** "Maya Reed: pronouns name only → she/her" */
  readonly words: string
}

/** What a class list would do to a class. */
export interface RosterPlan<Child extends RosterChild> {
  readonly added: readonly PastedStudent[]
  readonly changed: readonly RosterChange<Child>[]
  readonly unchanged: number
  readonly refused: readonly RefusedRow[]
}

/**
 * What a class list brings into a class that has children: who is there by the number, else by the whole name, is
 * changed as far as the list says something of them; who is not, is new; and of whom it is not certain is asked.
 * @example planRoster(pasted 'Maya Reed, she/her', [maya]).changed[0]?.words
 * // 'Maya Reed: pronouns name only → she/her'
 */
export function planRoster<Child extends RosterChild>(
  pasted: readonly PastedStudent[],
  children: readonly Child[],
): RosterPlan<Child> {
  const match = studentMatcher(children)
  const added: PastedStudent[] = []
  const changed: RosterChange<Child>[] = []
  const refused: RefusedRow[] = []
  const seen = new Map<string, number>()
  let unchanged = 0
  for (const row of pasted) {
    const found = withNewFamilyName(
      match({
        ...(row.said.has('schoolNumber') && { number: row.schoolNumber }),
        given: row.legalGiven,
        family: row.family,
      }),
      row,
    )
    const why = whyNot(found, row, seen)
    if (why !== null) refused.push({ row: row.row, reason: why })
    else if (found.kind !== 'found') added.push(row)
    else {
      const was = found.student
      seen.set(was.id, row.row)
      const fields = newFields(inOrder(row, was), was)
      if (fields.size === 0) unchanged += 1
      else changed.push({ row: row.row, was, fields: Object.fromEntries(fields), words: inWords(was, fields) })
    }
  }
  return { added, changed, unchanged, refused }
}

/** A row of a child as its columns stand: with the family name first, the names are turned. */
function inOrder(row: PastedStudent, child: RosterChild): PastedStudent {
  const isTurned = isGivenName(row.family, child) && nameKey(row.legalGiven) === nameKey(child.family)
  return isTurned ? { ...row, legalGiven: row.family, family: row.legalGiven } : row
}

/**
 * With the number and the given name it is the same child, whatever the family name is now. With the family name alone
 * it may be a brother or a sister under a mistyped number, and is asked about.
 */
function withNewFamilyName<Child extends RosterChild>(found: Match<Child>, row: PastedStudent): Match<Child> {
  if (found.kind !== 'doubtful' || !row.said.has('schoolNumber')) return found
  const same = found.candidates.find(
    (each) => each.schoolNumber === row.schoolNumber && isGivenName(row.legalGiven, each),
  )
  return same ? { kind: 'found', student: same, by: 'number' } : found
}

const isGivenName = (
  written: string,
  { legalGiven, usedName }: Pick<RosterChild, 'legalGiven' | 'usedName'>,
): boolean => [legalGiven, usedName].some((name) => nameKey(name) === nameKey(written))

/** "Maya Reed: pronouns name only → she/her; grade 5 → 6" */
function inWords(was: RosterChild, fields: ReadonlyMap<PastedField, string>): string {
  const each = [...fields].map(([field, now]) => `${lowerFirst(pastedFields[field])} ${was[field] || 'none'} → ${now}`)
  return `${nameOf(was)}: ${each.join('; ')}`
}

/** Why a row cannot be taken as it is; null where it can. */
function whyNot<Child extends RosterChild>(
  found: Match<Child>,
  row: PastedStudent,
  seen: ReadonlyMap<string, number>,
): string | null {
  if (found.kind === 'found') {
    const before = seen.get(found.student.id)
    return before === undefined ? null : `${nameOf(found.student)} stands in row ${before} already.`
  }
  if (found.kind !== 'doubtful') return null
  const others = found.candidates.map((each) => `${nameOf(each)} (${each.schoolNumber})`).join(' or ')
  const number = row.said.has('schoolNumber') ? `, ${row.schoolNumber},` : ''
  return `“${nameOf(row)}”${number} could be ${others}. Write the number and the whole name.`
}

/** What the list says of a child otherwise than it stands. Who is called otherwise than by the given name stays so. */
function newFields(row: PastedStudent, was: RosterChild): Map<PastedField, string> {
  const fields = new Map<PastedField, string>()
  for (const field of row.said) {
    if (row[field] === was[field] || (field === 'legalGiven' && isGivenName(row.legalGiven, was))) continue
    fields.set(field, row[field])
    const follows = was.usedName === was.legalGiven && !row.said.has('usedName')
    if (field === 'legalGiven' && follows) fields.set('usedName', row[field])
  }
  return fields
}
