import type { RecordIndex } from './recordIndex'

/** Remembers what was worked out for a student for as long as the record is in use: every box asks for it again. */
export function perStudent<Made>(
  make: (index: RecordIndex, studentId: string) => Made,
): (index: RecordIndex, studentId: string) => Made {
  const known = new WeakMap<RecordIndex, Map<string, Made>>()
  return (index, studentId) => {
    const students = known.get(index) ?? new Map<string, Made>()
    known.set(index, students)
    const before = students.get(studentId)
    if (before !== undefined) return before
    const made = make(index, studentId)
    students.set(studentId, made)
    return made
  }
}
