import { nameKey } from '../../people/names'
import { fields, fieldProblem } from '../../record/fields'
import { studentMatcher, type Matchable } from '../../people/matchStudent'
import { readPronouns, writePronouns } from '../../people/pronouns'
import type { BundleRow } from './readBundle'

/** The parts of a bundle that are small enough to be held: all but its pieces of work and results. */
export interface BundlePeople {
  readonly academicSessions: readonly BundleRow[]
  readonly courses: readonly BundleRow[]
  readonly classes: readonly BundleRow[]
  readonly users: readonly BundleRow[]
  /** In 1.2 what somebody is stands here; in 1.1 beside the user. */
  readonly roles: readonly BundleRow[]
  readonly enrollments: readonly BundleRow[]
}

/** A school year as it stands, as far as a bundle is matched with it. */
export interface YearHere {
  readonly terms: readonly {
    readonly id: string
    readonly name: string
    readonly starts: string
    readonly ends: string
  }[]
  readonly subjects: readonly { readonly key: string; readonly name: string }[]
  /** A group has a subject. */
  readonly classes: readonly { readonly id: string; readonly name: string; readonly group: string | null }[]
  /** Every child that the school knows. */
  readonly students: readonly Matchable[]
  /** Who is in which class of the year. */
  readonly places: readonly { readonly classId: string; readonly studentId: string }[]
}

/** A child that nobody knew. `id` is the one that it gets. */
export interface NewStudent extends Matchable {
  readonly pronouns: string
}

/** What a bundle would add to a year beside work and results, and what its own names mean here. */
export interface YearPlan {
  /** Sessions of the bundle that are terms here. */
  readonly terms: ReadonlyMap<string, string>
  /** Classes of the bundle whose work has a place here. */
  readonly rooms: ReadonlyMap<string, { readonly classId: string; readonly subject: string }>
  readonly students: ReadonlyMap<string, string>
  readonly newStudents: readonly NewStudent[]
  readonly newClasses: readonly { readonly id: string; readonly name: string; readonly group: string | null }[]
  readonly newPlaces: readonly { readonly classId: string; readonly studentId: string; readonly grade: string }[]
  /** What is left out, in sentences. */
  readonly leftOut: readonly string[]
}

/**
 * Matches the people, classes and terms of a OneRoster bundle with a school year. Children are known by the identifier
 * that the school gave them, else by name, and never guessed; a class of the bundle is a home class, or the subject
 * of one ("5 Ash, Sums"), or a group. Nothing that stands is changed; teachers get no accounts from a file.
 * @param freshId gives an id for what is new
 */
export function planYear(bundle: BundlePeople, here: YearHere, freshId: () => string): YearPlan {
  const leftOut: string[] = []
  const terms = matchTerms(bundle.academicSessions, here.terms)
  const { students, newStudents } = matchStudents(bundle, here.students, freshId, leftOut)
  const { rooms, newClasses } = matchClasses(bundle, { ...here, students }, freshId, leftOut)
  const standing = new Set(here.places.map(({ classId, studentId }) => `${classId} ${studentId}`))
  const grades = gradesOf(bundle)
  const newPlaces = bundle.enrollments.flatMap((row) => {
    const [room, studentId] = [rooms.get(row('classSourcedId')), students.get(row('userSourcedId'))]
    const place = `${room?.classId} ${studentId}`
    if (row('role').toLowerCase() !== 'student' || !room || studentId === undefined || standing.has(place)) return []
    standing.add(place)
    const grade = grades.user.get(row('userSourcedId')) || grades.room.get(row('classSourcedId')) || ''
    return [{ classId: room.classId, studentId, grade: fields.gradeLevel.safeParse(grade).data ?? '' }]
  })
  const withWork = new Map(
    [...rooms].flatMap(([id, { classId, subject }]) => (subject ? [[id, { classId, subject }]] : [])),
  )
  return { terms, rooms: withWork, students, newStudents, newClasses, newPlaces, leftOut }
}

/** By name, else by the same days; a session within a term is that term. */
function matchTerms(sessions: readonly BundleRow[], terms: YearHere['terms']): Map<string, string> {
  return new Map(
    sessions.flatMap((row) => {
      const [starts, ends] = [row('startDate'), row('endDate')]
      const found =
        terms.find(({ name }) => nameKey(name) === nameKey(row('title'))) ??
        terms.find((term) => starts !== '' && term.starts <= starts && ends <= term.ends && ends !== '')
      return found ? [[row('sourcedId'), found.id] as const] : []
    }),
  )
}

function matchStudents(
  { users, roles, enrollments }: BundlePeople,
  known: readonly Matchable[],
  freshId: () => string,
  leftOut: string[],
): { students: Map<string, string>; newStudents: NewStudent[] } {
  const byRole = new Map(roles.map((row) => [row('userSourcedId'), row('role').toLowerCase()]))
  const taught = new Set(
    enrollments.filter((row) => row('role').toLowerCase() === 'student').map((row) => row('userSourcedId')),
  )
  const match = studentMatcher(known)
  const byNumber = new Map(known.map((each) => [each.schoolNumber, each]))
  const numbers = new Set(byNumber.keys())
  const students = new Map<string, string>()
  const newStudents: NewStudent[] = []
  const doubtful: string[] = []
  const unfit: string[] = []
  for (const row of users) {
    const id = row('sourcedId')
    if ((row('role') || byRole.get(id) || (taught.has(id) ? 'student' : '')).toLowerCase() !== 'student') continue
    const [given, family] = [row('givenName'), row('familyName')]
    const schoolNumber = row('identifier') || id
    const same = byNumber.get(schoolNumber)
    // A name to the letter is the name, whatever it is made of.
    const found =
      same?.legalGiven === given && same.family === family
        ? ({ kind: 'found', student: same } as const)
        : match({ number: schoolNumber, given, family })
    if (found.kind === 'found') students.set(id, found.student.id)
    else if (found.kind === 'doubtful' || given === '') doubtful.push(`${given} ${family} (${schoolNumber})`.trim())
    else if (numbers.has(schoolNumber)) doubtful.push(`${given} ${family} (${schoolNumber}, which is another’s)`)
    else if (misfitOf(row, schoolNumber) !== null) unfit.push(`${given} ${family}`.trim().slice(0, 60))
    else {
      const usedName = row('preferredGivenName') || given
      const pronouns = writePronouns(readPronouns(row('pronouns')) ?? 'name only')
      const student = { id: freshId(), schoolNumber, legalGiven: given, usedName, family, pronouns }
      numbers.add(schoolNumber)
      students.set(id, student.id)
      newStudents.push(student)
    }
  }
  if (doubtful.length > 0)
    leftOut.push(
      `${doubtful.length} ${doubtful.length === 1 ? 'child' : 'children'} who could be somebody else here: ` +
        `${some(doubtful)}. Give them the school’s number in the bundle.`,
    )
  if (unfit.length > 0)
    leftOut.push(
      `${unfit.length} ${unfit.length === 1 ? 'child' : 'children'} with a name or number longer than is kept: ${some(unfit)}.`,
    )
  return { students, newStudents }
}

/** Why a child's names or number cannot be kept; null where they can. */
function misfitOf(row: BundleRow, schoolNumber: string): string | null {
  return (
    fieldProblem(fields.schoolNumber, schoolNumber) ??
    fieldProblem(fields.givenName, row('givenName')) ??
    fieldProblem(fields.givenName, row('preferredGivenName') || row('givenName')) ??
    fieldProblem(fields.familyName, row('familyName'))
  )
}

interface Room {
  readonly classId: string
  /** Empty for a home class that has no work of its own. */
  readonly subject: string
}

function matchClasses(
  { classes, courses, enrollments }: BundlePeople,
  here: Pick<YearHere, 'subjects' | 'classes' | 'places'> & { students: ReadonlyMap<string, string> },
  freshId: () => string,
  leftOut: string[],
): { rooms: Map<string, Room>; newClasses: YearPlan['newClasses'][number][] } {
  const courseTitles = new Map(courses.map((row) => [row('sourcedId'), [row('subjects'), row('title')]]))
  const known = new Map(here.classes.map((room) => [nameKey(room.name), room]))
  const homesOf = homesOfChildren(here)
  const pupils = new Map<string, string[]>()
  for (const row of enrollments)
    if (row('role').toLowerCase() === 'student')
      pupils.set(row('classSourcedId'), [...(pupils.get(row('classSourcedId')) ?? []), row('userSourcedId')])
  const rooms = new Map<string, Room>()
  const newClasses: YearPlan['newClasses'][number][] = []
  const unfit: string[] = []
  /** Null where no class may be called so. */
  const make = (name: string, group: string | null): string | null => {
    if (fieldProblem(fields.className, name) !== null) {
      unfit.push(name.slice(0, 60))
      return null
    }
    const made = { id: freshId(), name, group }
    known.set(nameKey(name), made)
    newClasses.push(made)
    return made.id
  }
  const homeCalled = (name: string): string | null => {
    const found = known.get(nameKey(name))
    return found && found.group === null ? found.id : make(name, null)
  }
  const strange: string[] = []
  // Home classes come first: the others are told by their names.
  const byKind = [...classes].sort((a, b) => Number(isHome(b)) - Number(isHome(a)))
  for (const row of byKind) {
    const [id, title] = [row('sourcedId'), row('title')]
    if (isHome(row)) {
      const classId = homeCalled(title)
      if (classId !== null) rooms.set(id, { classId, subject: '' })
    } else {
      const named = [row('subjects'), ...(courseTitles.get(row('courseSourcedId')) ?? [])]
      const subject = subjectOf(named, title, here.subjects)
      if (!subject) {
        strange.push(title)
        continue
      }
      const classId = placeOfSubject({ title, subject, pupils: pupils.get(id) ?? [] })
      if (classId !== null) rooms.set(id, { classId, subject: subject.key })
    }
  }
  if (strange.length > 0)
    leftOut.push(
      `${strange.length} ${strange.length === 1 ? 'class' : 'classes'} of no subject that is taught here: ` +
        `${some(strange)}. Add the subject in School, or call it as the bundle does.`,
    )
  if (unfit.length > 0)
    leftOut.push(
      `${unfit.length} ${unfit.length === 1 ? 'class' : 'classes'} without a name, or with a longer one than is kept: ${some(unfit)}.`,
    )
  return { rooms, newClasses }

  /**
   * The class in which a subject's work belongs: a group of that name, the home class in the title, or the pupils’.
   * Null where it would be a new one whose name is not kept.
   */
  function placeOfSubject(asked: {
    title: string
    subject: YearHere['subjects'][number]
    pupils: readonly string[]
  }): string | null {
    const { title, subject } = asked
    const called = known.get(nameKey(title))
    if (called && (called.group === null || called.group === subject.key)) return called.id
    const home = withoutSubject(title, subject.name)
    if (known.get(nameKey(home))?.group === null) return homeCalled(home)
    const homes = new Set(asked.pupils.map((id) => homesOf.get(here.students.get(id) ?? '')))
    const [only] = homes
    if (homes.size === 1 && only !== undefined) return only
    return home !== '' && nameKey(home) !== nameKey(title) ? homeCalled(home) : make(title, subject.key)
  }
}

const isHome = (row: BundleRow): boolean => row('classType').toLowerCase() === 'homeroom'

function homesOfChildren({ classes, places }: Pick<YearHere, 'classes' | 'places'>): Map<string, string> {
  const homes = new Set(classes.filter(({ group }) => group === null).map(({ id }) => id))
  return new Map(
    places.filter(({ classId }) => homes.has(classId)).map(({ classId, studentId }) => [studentId, classId]),
  )
}

/** The subject that a class's own words name: one of them, or in its title. */
function subjectOf(
  named: readonly string[],
  title: string,
  subjects: YearHere['subjects'],
): YearHere['subjects'][number] | undefined {
  const words = named.flatMap((each) => each.split(',')).map(nameKey)
  return (
    subjects.find(({ key, name }) => words.includes(nameKey(name)) || words.includes(nameKey(key))) ??
    subjects.find(({ name }) => withoutSubject(title, name) !== title)
  )
}

/** @example withoutSubject('5 Ash, Sums', 'Sums') // '5 Ash' */
function withoutSubject(title: string, subject: string): string {
  const at = title.toLocaleLowerCase('en').lastIndexOf(subject.toLocaleLowerCase('en'))
  if (at < 0) return title
  const rest = `${title.slice(0, at)} ${title.slice(at + subject.length)}`
  return rest.replace(/\s+/g, ' ').replace(/^[\s,:;–-]+|[\s,:;–-]+$/g, '')
}

function gradesOf({ users, classes }: BundlePeople): { user: Map<string, string>; room: Map<string, string> } {
  const first = (row: BundleRow): [string, string] => [
    row('sourcedId'),
    row('grades')
      .split(',')[0]
      ?.trim()
      .replace(/^0+(?=\d)/, '') ?? '',
  ]
  return { user: new Map(users.map(first)), room: new Map(classes.map(first)) }
}

/** The first few of many. */
function some(names: readonly string[]): string {
  return names.slice(0, 5).join(', ') + (names.length > 5 ? ' …' : '')
}
