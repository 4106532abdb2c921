import { z } from 'zod'
import { isLanguageTag } from '../../people/languageTag'
import type { Matchable } from '../../people/matchStudent'
import { nameKey } from '../../people/names'
import { childFinder } from './childFinder'
import type { ContactColumn } from './listColumns'
import { NotTaken, planRows } from './planRows'
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
  const whose = childFinder(students, 'whose contact it is')
  const childOf = (row: ListRow<ContactColumn>): string =>
    whose({ number: row.cell('number'), name: row.cell('student') }).id
  const standing = new Map(
    contacts.map(({ id, studentId, ...contact }) => [contactKey(studentId, contact.name), { id, studentId, contact }]),
  )
  const { added, changed, ...rest } = planRows(list, {
    nameOf: (row) => {
      const [studentId, name] = [childOf(row), row.cell('name')]
      refuseWrong(row)
      return { place: contactKey(studentId, name), name }
    },
    standing: (place) => standing.get(place),
    fresh: (row, before) => {
      const studentId = childOf(row)
      const position = [...contacts, ...before].filter((each) => each.studentId === studentId).length
      return { id: '', studentId, contact: { ...blankContact, name: row.cell('name'), position } }
    },
    said: (row, was) => ({ ...was, contact: said(row, was.contact) }),
  })
  return {
    ...rest,
    added: added.map(({ studentId, contact }) => ({ studentId, contact })),
    changed: changed.map(({ was, row }) => ({ ...row, was: was.contact })),
  }
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

function contactKey(studentId: string, name: string): string {
  return `${studentId}\u0000${nameKey(name)}`
}

/** @throws NotTaken when something in the row is wrong */
function refuseWrong(row: ListRow<ContactColumn>): void {
  const problem = problemOf(row)
  if (problem !== null) throw new NotTaken(problem)
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
