import type { Roster } from './roster'
import { setupOfGroup } from './setupOfGroup'
import { setupOfGrade } from '../school/setupOfGrade'
import { isTaughtIn, type SchoolSetup } from '../school/schoolSetup'
import type { SettledTerm, TermRecord } from './termRecord'

/** A class in one term, with the terms before it, the latest first. */
export interface ClassTerm extends Roster, TermRecord {
  readonly earlier: readonly SettledTerm[]
}

/**
 * All that is known about one class in one term: what every stage computes from, in the browser, on the server and in
 * the batch command alike.
 */
export interface ClassRecord extends SchoolSetup, ClassTerm {}

/**
 * The whole record, from the parts that are fetched and kept apart; of the skills, those of the class's grades, and
 * scales and limits as they are there; of a group, what belongs to its subject.
 */
export function classRecordOf(setup: SchoolSetup, term: ClassTerm): ClassRecord {
  const grades = new Set(term.students.map((student) => student.gradeLevel))
  const whole = setupOfGrade(setup, term.classRoom.grades ?? [...grades])
  const here = term.classRoom.group ? setupOfGroup(whole, term.classRoom.group) : whole
  const skills = here.skills.filter((skill) => [...grades].some((grade) => isTaughtIn(skill, grade)))
  return { ...here, ...term, skills: grades.size === 0 ? here.skills : skills }
}
