import { z } from 'zod'
import { isLanguageTag } from '../../people/languageTag'
import { studentMatcher, type Matchable } from '../../people/matchStudent'
import { displayName, nameKey } from '../../people/names'
import type { ContactColumn } from './listColumns'
import type { ListRow, ReadList, RefusedRow } from './readList'
import { yesOrNo } from './yesOrNo'

/** Somebody who is told of a child. */
export interface ListedContact {
  readonly name: string
  readonly relation: string
  readonly household: number
  readonly email: string
  readonly language: string
  readonly told: boolean
  readonly position: number
}

/** A contact that stands, with whose it is. */
export interface KnownContact extends ListedContact {
  readonly id: string
  readonly studentId: string
}

/** What taking a list of contacts in would do. */
export interface ContactListPlan {
  readonly added: readonly { studentId: string; contact: ListedContact }[]
  readonly changed: readonly { id: string; studentId: string; contact: ListedContact; was: ListedContact }[]
  readonly unchanged: number
  readonly refused: readonly RefusedRow[]
}

interface Known {
  readonly students: readonly Matchable[]
  readonly contacts: readonly KnownContact[]
}

/**
 * What a list of contacts would add and change. A child is known by number, else by name, and is never guessed; a
 * contact by the child and the name. What the list does not say stays as it is.
 */
export function planContactList(list: ReadList<ContactColumn>, { students, contacts }: Known): ContactListPlan {
  const whose = childFinder(students)
  const standing = new Map(contacts.map((contact) => [placeOf(contact.studentId, contact.name), contact]))
  const rows = new Map<string, number>()
  const plan: {
    added: { studentId: string; contact: ListedContact }[]
    changed: { id: string; studentId: string; contact: ListedContact; was: ListedContact }[]
    unchanged: number
    refused: RefusedRow[]
  } = { added: [], changed: [], unchanged: 0, refused: [] }
  for (const row of list.rows) {
    const found = whose(row)
    const name = row.cell('name')
    const place = placeOf(found.id, name)
    const before = rows.get(place)
    const twice = before === undefined ? null : `“${name}” stands in row ${before} already.`
    const reason = found.problem ?? problemOf(row) ?? twice
    if (reason !== null) {
      plan.refused.push({ row: row.row, reason })
      continue
    }
    rows.set(place, row.row)
    const known = standing.get(place)
    if (known) {
      const { id, studentId, ...was } = known
      const contact = said(row, was)
      if (JSON.stringify(contact) === JSON.stringify(was)) plan.unchanged += 1
      else plan.changed.push({ id, studentId, contact, was })
    } else {
      const theirs = [...contacts, ...plan.added].filter((each) => each.studentId === found.id).length
      plan.added.push({ studentId: found.id, contact: said(row, { ...blankContact, name, position: theirs }) })
    }
  }
  return plan
}

/** A contact of whom nothing is said yet. */
export const blankContact: ListedContact = {
  name: '',
  relation: '',
  household: 1,
  email: '',
  language: '',
  told: true,
  position: 0,
}

function placeOf(studentId: string, name: string): string {
  return `${studentId}\u0000${nameKey(name)}`
}

function childFinder(
  students: readonly Matchable[],
): (row: ListRow<ContactColumn>) => { id: string; problem: string | null } {
  const match = studentMatcher(students)
  const nameOf = ({ usedName, family }: Matchable): string => displayName({ given: usedName, family })
  return (row) => {
    const [number, name] = [row.cell('number'), row.cell('student')]
    const found = match({ number, name })
    if (found.kind === 'found') return { id: found.student.id, problem: null }
    const written = name || number
    if (written === '') return { id: '', problem: 'This row does not say whose contact it is.' }
    return {
      id: '',
      problem:
        found.kind === 'unknown'
          ? `There is no child with “${written}” in this class.`
          : `“${written}” could be ${found.candidates.map(nameOf).join(' or ')}: write the number.`,
    }
  }
}

function problemOf(row: ListRow<ContactColumn>): string | null {
  const [email, language, household, told] = (['email', 'language', 'household', 'told'] as const).map(row.cell)
  if (row.cell('name') === '') return 'There is no name of a contact in this row.'
  if (email && !z.email().safeParse(email).success) return `“${email}” is no mail address.`
  if (language && !isLanguageTag(language)) return `“${language}” is no language tag, as in en, pt-BR, ar.`
  if (household && !/^[1-9]$/.test(household))
    return `“${household}” is no household: write 1 for the first, 2 for the second.`
  return told && yesOrNo(told) === null ? `“${told}” is neither yes nor no.` : null
}

/** A contact with what the row says of it; what it does not say stays. */
function said(row: ListRow<ContactColumn>, was: ListedContact): ListedContact {
  return {
    ...was,
    relation: row.cell('relation') || was.relation,
    household: Number(row.cell('household')) || was.household,
    email: row.cell('email') || was.email,
    language: row.cell('language') || was.language,
    told: yesOrNo(row.cell('told')) ?? was.told,
  }
}
