import { percentText } from '../marks/rounding'
import { markLevel } from '../marks/settledMark'
import { displayName } from '../people/names'
import type { RecordIndex } from '../record/recordIndex'
import { teacherOf, type Student } from '../record/roster'
import { subjectsTaken } from '../record/takers'
import type { Subject } from '../school/schoolSetup'
import { strokesOf, type Scale } from '../scales/scale'
import { keptSymbol, readSymbol } from '../scales/symbol'

/** A settled level as a family reads it: a symbol with its name, and where it stands on its scale. */
export interface FamilyLevel {
  /** "3 secure", or "NA (not assessed)". */
  readonly text: string
  /** How many strokes of how many; null for what stands on no scale. */
  readonly strokes: { readonly filled: number; readonly of: number } | null
}

/** What was learned, or a habit, with its level. */
export interface FamilySkill {
  readonly text: string
  readonly level: FamilyLevel
}

/** A settled mark as a family may read it. */
export interface FamilyMark {
  /** "B (good)"; "" where no level is reached. */
  readonly level: string
  /** "82 %"; null for a special value. */
  readonly percent: string | null
  /** "incomplete"; null for a mark. */
  readonly special: string | null
}

/** One subject as a family reads it. */
export interface FamilySubject {
  readonly name: string
  readonly teacher: string
  readonly mark: FamilyMark | null
  readonly skills: readonly FamilySkill[]
  readonly comments: readonly string[]
}

/** A scale as it is explained to a family. */
export interface FamilyScale {
  readonly name: string
  readonly isOfMarks: boolean
  readonly levels: readonly { readonly level: FamilyLevel; readonly meaning: string }[]
}

/**
 * All that a family may read of one student in one term, and nothing else. A report is composed from this alone: there
 * is no place in it for a proposal, a difference, a reason, a note, a skill for the teacher only, a comparison with
 * the class, or whether a text is finished.
 */
export interface FamilyFacts {
  readonly school: string
  readonly className: string
  readonly classTeacher: string
  readonly term: string
  readonly studentId: string
  readonly fullName: string
  readonly usedName: string
  readonly generalComments: readonly string[]
  readonly subjects: readonly FamilySubject[]
  readonly habits: readonly FamilySkill[]
  readonly attendance: { readonly daysOpen: number; readonly absences: number; readonly lates: number } | null
  readonly scales: readonly FamilyScale[]
}

/** The one way from the record to what a family reads. */
export function familyFacts(index: RecordIndex, student: Student): FamilyFacts {
  const { school, term, classRoom, habits } = index.record
  const days = index.attendanceOf(student.id)
  return {
    school: school.name,
    className: classRoom.name,
    classTeacher: classRoom.teacher,
    term: `${term.name} ${term.year}`,
    studentId: student.id,
    fullName: displayName({ given: student.usedName, family: student.family }),
    usedName: student.usedName,
    generalComments: commentsIn(index, student, null),
    subjects: subjectsTaken(index, student.id).map((subject) => familySubject(index, student, subject)),
    habits: habits.flatMap((habit) => {
      const level = familyLevel(index.scale(habit.scale), index.levelOf(student.id, 'habit', habit.key))
      return level ? [{ text: `${habit.name}: ${habit.familyWords}`, level }] : []
    }),
    attendance: days ? { daysOpen: days.daysOpen, absences: days.absences, lates: days.lates } : null,
    scales: familyScales(index),
  }
}

function familySubject(index: RecordIndex, student: Student, subject: Subject): FamilySubject {
  const scale = index.scale(subject.skillScale)
  return {
    name: subject.name,
    teacher: teacherOf(index.record, subject.key, student.id),
    mark: familyMark(index, student, subject),
    skills: index.record.skills.flatMap((skill) => {
      if (skill.subject !== subject.key || skill.teacherOnly) return []
      const level = familyLevel(scale, index.levelOf(student.id, 'skill', skill.id))
      return level ? [{ text: skill.familyWords, level }] : []
    }),
    comments: commentsIn(index, student, subject.key),
  }
}

function commentsIn(index: RecordIndex, student: Student, subject: string | null): string[] {
  return index.record.boxes
    .filter((box) => box.subject === subject)
    .flatMap((box) => index.commentOf(student.id, box.key)?.text || [])
}

function familyMark(index: RecordIndex, student: Student, subject: Subject): FamilyMark | null {
  const markRules = index.rulesOf(subject.key)
  const settled = index.markOf(student.id, subject.key)
  if (!settled) return null
  if (settled.special !== null) return { level: '', percent: null, special: settled.special }
  if (settled.percent === null) return null
  const scale = index.scale(subject.markScale)
  const level = scale ? markLevel(settled.percent, scale, markRules) : undefined
  return {
    level: level ? `${level.symbol} (${level.name.toLocaleLowerCase('en')})` : '',
    percent: percentText(settled.percent, markRules.decimals),
    special: null,
  }
}

function familyLevel(scale: Scale | undefined, symbol: string | undefined): FamilyLevel | null {
  if (symbol === undefined) return null
  const meaning = readSymbol(scale, symbol)
  if (!scale || !meaning) return { text: symbol, strokes: null }
  if (meaning.kind === 'special') return { text: `${keptSymbol(meaning)} (${meaning.special})`, strokes: null }
  const { level } = meaning
  return { text: `${level.symbol} ${level.name}`, strokes: strokesOf(scale, level.symbol) }
}

/** The scales that are in use, in the school's order. */
function familyScales({ record }: RecordIndex): FamilyScale[] {
  const used = new Set([
    ...record.subjects.flatMap((subject) => [subject.skillScale, subject.markScale]),
    ...record.habits.map((habit) => habit.scale),
  ])
  return record.scales
    .filter((scale) => used.has(scale.key))
    .map((scale) => ({
      name: scale.name,
      isOfMarks: scale.kind === 'mark',
      levels: scale.levels.map((level) => ({
        level: {
          text: `${level.symbol} ${level.name}`,
          strokes: scale.kind === 'mark' ? null : strokesOf(scale, level.symbol),
        },
        meaning: level.familySentence,
      })),
    }))
}
