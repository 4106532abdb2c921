import type { SchoolSetup } from '../school/schoolSetup'

/**
 * What of the school's set-up concerns somebody who reads these subjects: they, with all that hangs on them.
 * @example narrowSetup(setup, (subject) => subject === 'music').boxes // music's comment and the general one
 */
export function narrowSetup(setup: SchoolSetup, readsSubject: (subject: string) => boolean): SchoolSetup {
  return {
    ...setup,
    subjects: setup.subjects.filter((subject) => readsSubject(subject.key)),
    skills: setup.skills.filter((skill) => readsSubject(skill.subject)),
    boxes: setup.boxes.filter((box) => box.subject === null || readsSubject(box.subject)),
  }
}
