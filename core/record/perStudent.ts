import { once } from '../once'
import type { RecordIndex } from './recordIndex'

/** Remembers what was worked out for a student for as long as the record is in use: every box asks for it again. */
export function perStudent<Made>(
  make: (index: RecordIndex, studentId: string) => Made,
): (index: RecordIndex, studentId: string) => Made {
  const knownOf = once<RecordIndex, Map<string, Made>>(() => new Map())
  return (index, studentId) => {
    const known = knownOf(index)
    const before = known.get(studentId)
    if (before !== undefined) return before
    const made = make(index, studentId)
    known.set(studentId, made)
    return made
  }
}
