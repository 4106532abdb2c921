import { memoizeByKey } from '../memoize'
import type { RecordIndex } from './recordIndex'

/** Remembers what was worked out for a student for as long as the record is in use: every box asks for it again. */
export function perStudent<Made>(
  make: (index: RecordIndex, studentId: string) => Made,
): (index: RecordIndex, studentId: string) => Made {
  return memoizeByKey(make)
}
