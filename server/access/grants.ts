import type { Term } from '../../core/record/term'
import { isLocked, isOpenFor, openSubjects, type Reopening } from '../../core/terms/lock'
import { includesGrade, type GradeRange } from '../../core/people/gradeRange'
import { Refusal } from './refusal'

/** Who asks, with all that the rules look at. */
export interface Who {
  readonly personId: string
  readonly role: 'teacher' | 'coordinator'
  /** The grades that a coordinator coordinates; null for the whole school. */
  readonly grades: GradeRange | null
  /** Own teaching today; a null subject is the home class. */
  readonly teaching: readonly {
    readonly classId: string
    readonly subject: string | null
    /** True for who reads what a colleague writes there, and changes nothing. */
    readonly secondReader: boolean
  }[]
}

/** A class with the subjects that specialists teach there, and the grades of its students. */
export interface ClassTeaching {
  readonly classId: string
  /** The one subject of a group; null for a home class. */
  readonly group: string | null
  readonly specialistSubjects: readonly string[]
  readonly grades: readonly string[]
}

/**
 * What a change took: a subject of the class, what belongs to the class as a whole (habits, the general comment), what
 * belongs to the school, writing notes in the class, or nothing but being the one who owns it.
 */
export type Need = `subject ${string}` | 'general' | 'school' | 'notes' | 'own'

/** Whether a text is a need, as events keep them. */
export function isNeed(text: string): text is Need {
  return ['general', 'school', 'notes', 'own'].includes(text) || text.startsWith('subject ')
}

/** What of a child's record something is. Marks, levels, comments, work and notes may hang on a subject. */
export type RecordKind = 'mark' | 'level' | 'comment' | 'work' | 'note' | 'habit' | 'attendance' | 'practice'

/** What one person may see and do in one class. All that leaves the server is cut by it, every change asked of it. */
export interface Grants {
  readonly readsClass: boolean
  /** Nothing of the class is kept from who reads all of it but colleagues’ notes for themselves. */
  readonly readsAll: boolean
  /** Whether a child of the class, of this grade, is there for the person at all. */
  readonly seesChild: (gradeLevel: string) => boolean
  /**
   * What of the record of a child whom they see.
   * @param subject null for what belongs to no subject, as habits do, and the general comment
   */
  readonly sees: (kind: RecordKind, subject: string | null) => boolean
  readonly readsSubject: (subject: string) => boolean
  /** Who teaches here, the class or a subject, writes notes about its children. */
  readonly takesNotes: boolean
  readonly changes: (need: Need) => boolean
  /** Reports gather every subject, so the home teacher and the coordinator make and fetch them. */
  readonly makesReports: boolean
}

/**
 * The one place where rights come from. A home teacher and the coordinator read every subject of the class, a
 * specialist the own ones; a coordinator of some grades, the classes with a student in one of them. A subject is
 * changed by its specialist, or by the home teacher where it has none; habits and the general comment by the home
 * teacher; what is the school's by the coordinator of the whole school. A second reader reads what the teacher of the
 * class or the subject does, notes for the own eyes apart, and changes nothing. In a group there is its subject and
 * nothing else: no general comment, no habits, no attendance, no reports; and for a coordinator of some grades, the
 * children of those grades.
 */
export function grantsIn(who: Who, room: ClassTeaching): Grants {
  const here = who.teaching.filter((each) => each.classId === room.classId)
  const taught = here.filter((each) => !each.secondReader)
  const isCoordinator = coordinates(who, room)
  const isHome = room.group === null && taught.some((each) => each.subject === null)
  const readsHome = room.group === null && here.some((each) => each.subject === null)
  const isHere = (subject: string): boolean => room.group === null || subject === room.group
  const teaches = (subject: string): boolean => taught.some((each) => each.subject === subject)
  const changesSubject = (subject: string): boolean =>
    teaches(subject) || (isHome && !room.specialistSubjects.includes(subject))
  const readsClass = isCoordinator || here.length > 0
  const readsSubject = (subject: string): boolean =>
    isHere(subject) && (isCoordinator || readsHome || here.some((each) => each.subject === subject))
  const readsWhole = (kind: RecordKind): boolean =>
    room.group === null && (kind === 'note' ? isCoordinator || isHome : readsClass)
  return {
    readsClass,
    readsAll: room.group === null && (isCoordinator || isHome),
    seesChild: (gradeLevel) =>
      readsClass &&
      (room.group === null || here.length > 0 || who.grades === null || includesGrade(who.grades, gradeLevel)),
    sees: (kind, subject) => (subject === null ? readsWhole(kind) : readsSubject(subject)),
    readsSubject,
    takesNotes: taught.length > 0,
    makesReports: room.group === null && (isCoordinator || isHome),
    changes: (need) => {
      if (need === 'own') return true
      if (need === 'school') return changesSchool(who)
      if (need === 'notes') return taught.length > 0
      return need === 'general' ? isHome : changesSubject(need.slice('subject '.length))
    },
  }
}

/** School phrases, describing words, plans and what the checks look for are the whole school's coordinator's. */
export function changesSchool(who: Who): boolean {
  return who.role === 'coordinator' && who.grades === null
}

function coordinates({ role, grades }: Who, room: ClassTeaching): boolean {
  return role === 'coordinator' && (grades === null || room.grades.some((grade) => includesGrade(grades, grade)))
}

/** A phrase is changed by whom it belongs to: the school's by the coordinator, a personal one by its owner. */
export function changesPhrase(who: Who, owner: string | null): boolean {
  return owner === null ? changesSchool(who) : owner === who.personId
}

/** What a subject's change needs; the general comment and habits belong to no subject. */
export function needFor(subject: string | null): Need {
  return subject === null ? 'general' : `subject ${subject}`
}

/** @throws Refusal */
export function allow(permitted: boolean, doing: string): void {
  if (!permitted) throw new Refusal('forbidden', `You may not ${doing}. Ask the coordinator if you think you should.`)
}

/** Why nothing of a term can be changed today, in a sentence that says who can open it again; null while it is open. */
export function lockedWords({ term, reopenings }: LockHere, today: string): string | null {
  const open = openSubjects(term, today, reopenings)
  return open === 'all' || open.size > 0 ? null : lockedSince(term)
}

function lockedSince({ name, locks }: Pick<Term, 'name' | 'locks'>): string {
  return `${name} has been locked since ${locks}. The coordinator can open it again.`
}

/** Says that a term is locked. */
export function lockedTerm(term: Pick<Term, 'name' | 'locks'>): Refusal {
  return new Refusal('locked', lockedSince(term))
}

/** @throws Refusal when the term is locked */
export function allowOpenTerm(term: Pick<Term, 'name' | 'locks'>, today: string): void {
  if (isLocked(term, today)) throw lockedTerm(term)
}

/** A term with what of it is open again in a class today. */
export interface LockHere {
  readonly term: Pick<Term, 'name' | 'locks'>
  readonly reopenings: readonly Reopening[]
}

/**
 * Grants as far as the lock of the term leaves them: asking to change what is not open is refused in the lock's words.
 * @throws Refusal when nothing of the term is open
 */
export function underLock(grants: Grants, { term, reopenings }: LockHere, today: string): Grants {
  const open = openSubjects(term, today, reopenings)
  if (open === 'all') return grants
  if (open.size === 0) throw lockedTerm(term)
  return {
    ...grants,
    changes: (need) => {
      if (need !== 'own' && need !== 'notes' && !isOpenFor(open, subjectOf(need))) throw lockedTerm(term)
      return grants.changes(need)
    },
  }
}

function subjectOf(need: Need): string | null {
  return need.startsWith('subject ') ? need.slice('subject '.length) : null
}
