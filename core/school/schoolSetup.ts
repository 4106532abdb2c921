import type { ByGrade } from '../people/byGrade'
import { includesGrade, type GradeRange } from '../people/gradeRange'
import type { CheckSettings } from './checkSettings'
import type { SchoolMarkRules } from '../marks/markRules'
import type { Phrasebook } from '../narrative/phrase'
import type { CommentBox } from '../narrative/plan'
import type { PossessiveRule } from '../narrative/possessive'
import type { Layout } from './layout'
import type { Scale } from '../scales/scale'

/** Who takes a subject: everybody in their classes, or those alone who are in a group of it. */
export const takenBy = ['class', 'groups'] as const
export type TakenBy = (typeof takenBy)[number]

export interface Subject {
  readonly key: string
  readonly name: string
  /** The name inside a sentence: "science", but "French". */
  readonly inSentence: string
  readonly markScale: string
  readonly skillScale: string
  /** The class where it is left out. */
  readonly takenBy?: TakenBy | undefined
  /** Scales that take the place of these in some grades. */
  readonly markScaleByGrade?: ByGrade<string> | undefined
  readonly skillScaleByGrade?: ByGrade<string> | undefined
  /** Strands that are called differently now than when they were first named, which is their key. */
  readonly strandNames?: Readonly<Record<string, string>> | undefined
}

/** A standard that the school rates, with the words a family reads. */
export interface Skill {
  readonly id: string
  readonly subject: string
  /** The key of its strand (strand.ts). */
  readonly strand: string
  readonly statement: string
  readonly familyWords: string
  /** The same inside a sentence, as in "adding and subtracting large numbers"; "" when nobody has written it. */
  readonly inSentence: string
  /** The family words as they follow a child's name, verbs in braces; "" where they are found (skillWords). */
  readonly does: string
  /** The grades in which it is taught, or null for all. */
  readonly grades: GradeRange | null
  /** For the teacher's eyes: never on a report. */
  readonly teacherOnly: boolean
}

/**
 * Whether a skill belongs to a grade. A grade that is no number has every skill.
 * @example isTaughtIn({ grades: { from: 4, to: 5 } }, '6') // false
 */
export function isTaughtIn({ grades }: Pick<Skill, 'grades'>, gradeLevel: string): boolean {
  return grades === null || !/^\d+$/.test(gradeLevel) || includesGrade(grades, gradeLevel)
}

export interface Habit {
  readonly key: string
  readonly name: string
  readonly familyWords: string
  readonly scale: string
}

export interface School {
  readonly name: string
  readonly place: string
  /** Where a day begins: an IANA time zone. Where the server stands when it is left out. */
  readonly timeZone?: string | undefined
  readonly markRules: SchoolMarkRules
  readonly possessives: PossessiveRule
  /** What the checks look for. */
  readonly checks: CheckSettings
}

/** What the school has set up: the same for every class, and kept by its version. */
export interface SchoolSetup {
  readonly school: School
  readonly scales: readonly Scale[]
  readonly subjects: readonly Subject[]
  readonly skills: readonly Skill[]
  readonly habits: readonly Habit[]
  readonly boxes: readonly CommentBox[]
  readonly phrasebook: Phrasebook
  readonly layout: Layout
}
