import type { ClassRecord } from '../../core/record/classRecord'
import { demoClass } from '../outside/demoClass'
import { sixAlder } from '../writing/sixAlder'

const shipped = demoClass().phrasebook

/** 6 Alder with the shipped phrasebook, no phrase of which is written for its habits and few for its strands. */
export function alderClass(): ClassRecord {
  return { ...sixAlder(), phrasebook: shipped }
}

const alike = ['Ada', 'Ben', 'Cleo', 'Dov', 'Ena', 'Fox', 'Gus', 'Hana', 'Ivo', 'Jun']

/** All that a class's record says of children, each list made anew. */
function told(
  { levels, habitScores, marks, results, attendance, earlier }: ClassRecord,
  forEach: <T extends { readonly studentId: string }>(items: readonly T[]) => T[],
): Pick<ClassRecord, 'levels' | 'habitScores' | 'marks' | 'results' | 'attendance' | 'earlier'> {
  return {
    levels: forEach(levels),
    habitScores: forEach(habitScores),
    marks: forEach(marks),
    results: forEach(results),
    attendance: forEach(attendance),
    earlier: earlier.map((term) => ({ ...term, levels: forEach(term.levels) })),
  }
}

/** A class with further children, each with all that is said of one of it. */
function withMore(
  record: ClassRecord,
  added: readonly { readonly name: string; readonly like: string }[],
): ClassRecord {
  const forEach = <T extends { readonly studentId: string }>(items: readonly T[]): T[] => [
    ...items,
    ...added.flatMap(({ name, like }) =>
      items.filter(({ studentId }) => studentId === like).map((item) => ({ ...item, studentId: name })),
    ),
  ]
  const students = added.flatMap(({ name, like }, at) =>
    record.students
      .filter(({ id }) => id === like)
      .map((student) => ({ ...student, id: name, usedName: name, legalGiven: name, schoolNumber: `62${at + 10}` })),
  )
  return { ...record, students: [...record.students, ...students], ...told(record, forEach) }
}

/** A class with ten more whose record is that of one of it. */
export function withTenLike(record: ClassRecord, like: string): ClassRecord {
  return withMore(
    record,
    alike.map((name) => ({ name, like })),
  )
}

/** Thirty children, of whom ten have the very same record: that of one of 6 Alder. */
export function thirtyClass(like = 'Björn'): ClassRecord {
  const record = alderClass()
  const doubles = record.students.slice(4, 8)
  const made = withMore(record, [
    ...alike.map((name) => ({ name, like })),
    ...doubles.map(({ id }) => ({ name: `${id} Two`, like: id })),
  ])
  // As full a box as most schools have; 6 Alder keeps its small ones.
  return { ...made, boxes: made.boxes.map((box) => ({ ...box, limit: 480 })) }
}

/** The ten whose records are the same. */
export const sameRecord: ReadonlySet<string> = new Set(alike)

/** A class of which little is known: away for most of the term, two skills of three not looked at. */
export function littleKnownClass(): ClassRecord {
  const record = alderClass()
  return {
    ...record,
    levels: record.levels.filter(({ about }) => /1$/.test(about)),
    habitScores: record.habitScores.filter(({ about }) => about === 'h2'),
    attendance: record.attendance.map((each) => ({ ...each, absences: 49 })),
    ...{ marks: [], results: [], earlier: [] },
  }
}

/** A class of so many children, all of whom have the very same record. */
export function sameClass(count: number): ClassRecord {
  const record = alderClass()
  const like = 'Björn'
  const ids = Array.from({ length: count }, (_, at) => `same${at}`)
  const forEach = <T extends { readonly studentId: string }>(items: readonly T[]): T[] =>
    ids.flatMap((studentId) => items.filter((item) => item.studentId === like).map((item) => ({ ...item, studentId })))
  return {
    ...record,
    students: ids.flatMap((id) =>
      record.students.filter((each) => each.id === like).map((each) => ({ ...each, id, schoolNumber: id })),
    ),
    boxes: record.boxes.map((box) => ({ ...box, limit: 480 })),
    ...told(record, forEach),
    ...{ comments: [], observations: [], accepted: [] },
  }
}
