import { nameKey, readName, type PersonName } from './names'

/** As much of a student as a file can be matched against. */
export interface Matchable {
  id: string
  schoolNumber: string
  legalGiven: string
  usedName: string
  family: string
}

export type Match<S extends Matchable> =
  | { kind: 'found'; student: S; by: 'number' | 'name' }
  /** More than one student fits: the teacher is asked. */
  | { kind: 'doubtful'; candidates: S[] }
  | { kind: 'unknown' }

/** What a row says about whose it is. */
export interface RowIdentity {
  number?: string
  /** The whole name in one cell. */
  name?: string
  given?: string
  family?: string
}

/** Makes a matcher for one class; looking up is O(1) per row. */
export function studentMatcher<S extends Matchable>(students: readonly S[]): (row: RowIdentity) => Match<S> {
  const byNumber = new Map(students.map((student) => [numberKey(student.schoolNumber), student]))
  const byName = new Map<string, S[]>()
  const byHalf = new Map<string, S[]>()
  for (const student of students) {
    for (const half of new Set([student.legalGiven, student.usedName, student.family].map(nameKey))) {
      if (half !== '') byHalf.set(half, [...(byHalf.get(half) ?? []), student])
    }
    for (const key of spellingsOf(student)) byName.set(key, [...(byName.get(key) ?? []), student])
  }
  return (row) => {
    const number = numberKey(row.number ?? '')
    if (number !== '') {
      const student = byNumber.get(number)
      if (student) return { kind: 'found', student, by: 'number' }
    }
    const candidates = byName.get(rowNameKey(row)) ?? []
    const [only] = candidates
    if (only && candidates.length === 1) return { kind: 'found', student: only, by: 'name' }
    // Half a name is a hint, never an answer: even a single student it fits is asked about.
    const hinted =
      candidates.length > 0 ? candidates : (byHalf.get(nameKey(row.name || row.given || row.family || '')) ?? [])
    return hinted.length > 0 ? { kind: 'doubtful', candidates: hinted } : { kind: 'unknown' }
  }
}

/** School numbers are compared without leading zeros, which spreadsheets drop. */
function numberKey(written: string): string {
  return written
    .trim()
    .toLocaleLowerCase('en')
    .replace(/^0+(?=.)/, '')
}

function spellingsOf(student: Matchable): Set<string> {
  const givens = [student.legalGiven, student.usedName]
  return new Set(
    givens.flatMap((given) => [pairKey({ given, family: student.family }), nameKey(`${given} ${student.family}`)]),
  )
}

function rowNameKey(row: RowIdentity): string {
  if (row.name !== undefined && row.name.trim() !== '') {
    return row.name.includes(',') ? pairKey(readName(row.name)) : nameKey(row.name)
  }
  return pairKey({ given: row.given ?? '', family: row.family ?? '' })
}

function pairKey(name: PersonName): string {
  return `${nameKey(name.given)}|${nameKey(name.family)}`
}
