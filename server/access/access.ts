import { isLocked } from '../../core/terms/lock'
import type { Term } from '../../core/record/classRecord'
import { Refusal } from './refusal'

/** Who asks, with all that the rules look at. */
export interface Who {
  personId: string
  role: 'teacher' | 'coordinator'
  /** Own teaching; a null subject is the home class. */
  teaching: { classId: string; subject: string | null }[]
}

/** A class with the subjects that specialists teach there. */
export interface ClassTeaching {
  classId: string
  specialistSubjects: string[]
}

/** Every rule of who may see and do what stands in this file; every route asks here. */

/** Class teachers, its specialists and the coordinator see a class. */
export function mayReadClass(who: Who, classId: string): boolean {
  return who.role === 'coordinator' || who.teaching.some((each) => each.classId === classId)
}

/** A home teacher and the coordinator read every subject of the class; a specialist reads the own ones. */
export function mayReadSubject(who: Who, classId: string, subject: string): boolean {
  return (
    who.role === 'coordinator' ||
    who.teaching.some((each) => each.classId === classId && (each.subject === null || each.subject === subject))
  )
}

/** A subject is changed by its specialist, or by the home teacher where it has none. The coordinator changes none. */
export function mayChangeSubject(who: Who, room: ClassTeaching, subject: string): boolean {
  return who.teaching.some(
    (each) =>
      each.classId === room.classId &&
      (each.subject === subject || (each.subject === null && !room.specialistSubjects.includes(subject))),
  )
}

/** Habits and the general comment are the home teacher's. */
export function mayChangeGeneral(who: Who, classId: string): boolean {
  return isHomeTeacher(who, classId)
}

/**
 * School phrases, describing words, plans and what the checks look for are the coordinator's. Personal phrases are
 * everybody's own.
 */
export function mayChangeSchool(who: Who): boolean {
  return who.role === 'coordinator'
}

/** A phrase is changed by whom it belongs to. */
export function mayChangePhrase(who: Who, owner: string | null): boolean {
  return owner === null ? mayChangeSchool(who) : owner === who.personId
}

/** Reports gather every subject, so the home teacher and the coordinator make and fetch them. */
export function mayMakeReports(who: Who, classId: string): boolean {
  return who.role === 'coordinator' || isHomeTeacher(who, classId)
}

function isHomeTeacher(who: Who, classId: string): boolean {
  return who.teaching.some((each) => each.classId === classId && each.subject === null)
}

/** @throws Refusal */
export function allow(permitted: boolean, doing: string): void {
  if (!permitted) throw new Refusal('forbidden', `You may not ${doing}. Ask the coordinator if you think you should.`)
}

/** @throws Refusal when the term is locked, saying since when and who can unlock it */
export function allowOpenTerm(term: Pick<Term, 'name' | 'locks'>, today: string): void {
  if (isLocked(term, today))
    throw new Refusal('locked', `${term.name} has been locked since ${term.locks}. The coordinator can open it again.`)
}
