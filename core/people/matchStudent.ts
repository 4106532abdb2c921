import { letterSpellings, lettersOf, nearNames } from './nearNames'
import { nameKey, readName, type PersonName } from './names'

/** As much of a student as a file can be matched against. */
export interface Matchable {
  readonly id: string
  readonly schoolNumber: string
  readonly legalGiven: string
  readonly usedName: string
  readonly family: string
}

export type Match<S extends Matchable> =
  | { kind: 'found'; student: S; by: 'number' | 'name' }
  /** More than one student fits: the teacher is asked. */
  | { kind: 'doubtful'; candidates: S[] }
  | { kind: 'unknown' }

/** What a row says about whose it is. */
export interface RowIdentity {
  readonly number?: string
  /** The whole name in one cell. */
  readonly name?: string
  readonly given?: string
  readonly family?: string
}

/**
 * Makes a matcher for one class; looking up is O(1) per row.
 * @param asksNear whether names that are only near a student's are doubtful: for files about a class that is there, not
 * for those that bring new people
 *
 * @example studentMatcher(students)({ name: 'Reed, Maya' }) // { kind: 'found', student: maya, by: 'name' }
 */
export function studentMatcher<S extends Matchable>(
  students: readonly S[],
  { asksNear = false }: { asksNear?: boolean } = {},
): (row: RowIdentity) => Match<S> {
  const byNumber = new Map(students.map((student) => [numberKey(student.schoolNumber), student]))
  const byName = new Map<string, S[]>()
  const byFamilyFirst = new Map<string, S[]>()
  const byHalf = new Map<string, S[]>()
  const byLetters = new Map<string, S[]>()
  const near = asksNear ? nearNames(students) : () => []
  for (const student of students) {
    for (const half of new Set([student.legalGiven, student.usedName, student.family].map(nameKey))) {
      if (half !== '') byHalf.set(half, [...(byHalf.get(half) ?? []), student])
    }
    for (const given of new Set([student.legalGiven, student.usedName])) {
      const key = nameKey(`${student.family} ${given}`)
      if (student.family !== '') byFamilyFirst.set(key, [...(byFamilyFirst.get(key) ?? []), student])
    }
    for (const letters of new Set(letterSpellings(student))) {
      if (letters !== '') byLetters.set(letters, [...(byLetters.get(letters) ?? []), student])
    }
    for (const key of spellingsOf(student)) byName.set(key, [...(byName.get(key) ?? []), student])
  }
  return (row) => {
    // "Reed Maya" is Maya Reed where nobody is called Reed Maya.
    const written = row.name || [row.given, row.family].filter(Boolean).join(' ')
    const candidates =
      byName.get(rowNameKey(row)) ??
      byFamilyFirst.get(nameKey(row.name ?? '')) ??
      (row.name || (row.given && row.family) ? byLetters.get(lettersOf(written)) : undefined) ??
      []
    const numbered = byNumber.get(numberKey(row.number ?? ''))
    if (numbered) {
      // A number and a name that disagree: one of them was mistyped, and nobody can tell which from here.
      return agrees(row, numbered)
        ? { kind: 'found', student: numbered, by: 'number' }
        : { kind: 'doubtful', candidates: [...new Set([numbered, ...candidates])] }
    }
    const [only] = candidates
    if (only && candidates.length === 1) return { kind: 'found', student: only, by: 'name' }
    // Half a name is a hint, never an answer: even a single student it fits is asked about.
    // So are names with an initial or a nickname beside them.
    const hinted =
      [
        candidates,
        byName.get(rowNameKey(plainly(row))) ?? [],
        byHalf.get(nameKey(row.name || row.given || row.family || '')) ?? [],
        near(written),
      ].find((each) => each.length > 0) ?? []
    return hinted.length > 0 ? { kind: 'doubtful', candidates: hinted } : { kind: 'unknown' }
  }
}

/** Whether a row's name, as far as it has one, can be this student's. */
function agrees(row: RowIdentity, student: Matchable): boolean {
  const plain = plainly(row)
  const words = nameKey([plain.name, plain.given, plain.family].filter(Boolean).join(' ').replaceAll(',', ' '))
  if (words === '' || letterSpellings(student).includes(lettersOf(words))) return true
  const own = new Set(
    [student.legalGiven, student.usedName, student.family].flatMap((name) => nameKey(name).split(/[\s-]+/)),
  )
  return words.split(/[\s-]+/).every((word) => own.has(word))
}

/** A row's name without what people put beside names: nicknames in brackets or quotes, and single initials. */
function plainly(row: RowIdentity): RowIdentity {
  const plain = (written: string | undefined): string =>
    (written ?? '')
      .replace(/\([^)]*\)|\[[^\]]*\]|["“”„«»][^"“”«»]*["“”«»]/g, ' ')
      .replace(/(^|[\s,])\p{L}\.?(?=$|[\s,])/gu, '$1')
      .replace(/\s+/g, ' ')
      .trim()
  return { name: plain(row.name), given: plain(row.given), family: plain(row.family) }
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
