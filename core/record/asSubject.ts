import type { Subject } from '../narrative/say'
import type { RecordIndex } from './recordIndex'
import type { Student } from './roster'

/** A student as the one of whom sentences speak: by the name in use, with the school's possessives. */
export function asSubject({ record }: RecordIndex, { usedName, family, pronouns }: Student): Subject {
  return { name: usedName, family, pronouns, possessives: record.school.possessives }
}
