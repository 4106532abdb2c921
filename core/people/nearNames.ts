import { distance } from 'fastest-levenshtein'
import { nameKey } from './names'

/** As much of somebody as a name can be near to. */
interface Named {
  readonly legalGiven: string
  readonly usedName: string
  readonly family: string
}

/**
 * The letters of a name alone, whatever stands between and beside them.
 * @example lettersOf('1. O’Hara, Will') // 'oharawill'
 */
export function lettersOf(written: string): string {
  return nameKey(written).replace(/[^\p{L}]/gu, '')
}

/**
 * The spellings of somebody's name in letters alone, either part first.
 * @example letterSpellings({ legalGiven: 'Will', usedName: 'Will', family: 'O’Hara' }) // willohara, oharawill
 */
export function letterSpellings({ legalGiven, usedName, family }: Named): string[] {
  return [legalGiven, usedName].flatMap((given) => [lettersOf(given + family), lettersOf(family + given)])
}

/**
 * The words of a name, as they are compared, each once.
 * @example nameParts('Reed, Maya / A') // ['reed', 'maya', 'a']
 */
export function nameParts(written: string): string[] {
  return [...new Set(nameKey(written).split(/[^\p{L}']+/u))].filter((word) => word !== '')
}

/** Words that say how somebody is addressed. */
const titles = new Set(['mr', 'mrs', 'ms', 'miss', 'master'])

/**
 * Finds those whom a written name may mean though it is none of theirs: some of their names, with or without initials,
 * their names with others between, or a spelling that is off by a letter or two. Somebody has to be asked.
 * @example nearNames(students)('Maya R.') // [Maya Reed]; for 'Maya Reid' too
 */
export function nearNames<S extends Named>(students: readonly S[]): (written: string) => S[] {
  const known = students.map((student) => ({
    student,
    words: nameParts(`${student.legalGiven} ${student.usedName} ${student.family}`),
    spellings: letterSpellings(student),
  }))
  const found = new Map<string, S[]>()
  const nearTo = (written: string): S[] => {
    const words = nameParts(written).filter((word) => !titles.has(word))
    const letters = lettersOf(words.join(''))
    const byWords = known.filter(({ words: own }) => sharesWords(words, own))
    const near = byWords.length > 0 ? byWords : known.filter(({ spellings }) => isMisspelt(letters, spellings))
    return near.map(({ student }) => student)
  }
  // The rows of one child who is not of the class are many.
  return (written) => {
    const near = found.get(written) ?? nearTo(written)
    found.set(written, near)
    return near
  }
}

/** One whole name at least, and of the rest nothing that speaks against it. */
function sharesWords(words: readonly string[], own: readonly string[]): boolean {
  const whole = words.filter((word) => word.length > 2 && own.includes(word))
  if (whole.length === 0) return false
  const others = words.filter((word) => !own.includes(word))
  const areInitials = others.every((word) => word.length === 1 && own.some((name) => name.startsWith(word)))
  return areInitials || whole.length > 1
}

/** Short names are other names when a letter differs. */
function isMisspelt(letters: string, spellings: readonly string[]): boolean {
  const allowed = letters.length >= 9 ? 2 : letters.length >= 5 ? 1 : 0
  return allowed > 0 && spellings.some((spelling) => spelling.length > 3 && distance(letters, spelling) <= allowed)
}
