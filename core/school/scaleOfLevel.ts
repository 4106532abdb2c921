import type { Scale } from '../scales/scale'
import type { SchoolSetup } from './schoolSetup'

/** Where a level or a score stands: on its subject's scale of skills, or on its habit's. */
export interface ScalePlace {
  readonly scale: Scale | undefined
  /** The subject of a skill; null for a habit, and for what is none of the school's. */
  readonly subject: string | null
}

/**
 * The scale that a level of a skill or a score of a habit stands on.
 * @example scaleOfLevel(setup, { kind: 'skill', about: 'M1' }) // { scale: …, subject: 'mathematics' }
 */
export function scaleOfLevel(
  { habits, skills, subjects, scales }: Pick<SchoolSetup, 'habits' | 'skills' | 'subjects' | 'scales'>,
  { kind, about }: { kind: string | null; about: string },
): ScalePlace {
  const called = (key: string | undefined): Scale | undefined => scales.find((each) => each.key === key)
  if (kind === 'habit') return { scale: called(habits.find(({ key }) => key === about)?.scale), subject: null }
  const skill = kind === 'skill' ? skills.find(({ id }) => id === about) : undefined
  const subject = subjects.find(({ key }) => key === skill?.subject)
  return { scale: called(subject?.skillScale), subject: subject?.key ?? null }
}
