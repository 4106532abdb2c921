import type { SchoolSetup } from './schoolSetup'

/** What is used no more but has been rated or written in, by key. */
export interface Retired {
  readonly subjects: ReadonlySet<string>
  readonly skills: ReadonlySet<string>
  readonly habits: ReadonlySet<string>
  readonly boxes: ReadonlySet<string>
}

export const nothingRetired: Retired = {
  subjects: new Set(),
  skills: new Set(),
  habits: new Set(),
  boxes: new Set(),
}

/**
 * A set-up as it is used: without what is retired, and without skills and boxes of a subject that is.
 * @example setupInUse(all, { ...nothingRetired, subjects: new Set(['art']) }).boxes // none of art
 */
export function setupInUse<S extends Pick<SchoolSetup, keyof Retired>>(all: S, retired: Retired): S {
  const subjects = all.subjects.filter(({ key }) => !retired.subjects.has(key))
  const has = (subject: string | null): boolean => subject === null || subjects.some(({ key }) => key === subject)
  return {
    ...all,
    subjects,
    skills: all.skills.filter(({ id, subject }) => !retired.skills.has(id) && has(subject)),
    habits: all.habits.filter(({ key }) => !retired.habits.has(key)),
    boxes: all.boxes.filter(({ key, subject }) => !retired.boxes.has(key) && has(subject)),
  }
}
