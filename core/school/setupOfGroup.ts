import type { SchoolSetup } from './schoolSetup'

/**
 * What of a set-up concerns a group: its subject with its skills and boxes. Habits and the general comment are dealt
 * with in the children's home classes.
 * @example setupOfGroup(setup, 'music').boxes.map(({ key }) => key) // ['music']
 */
export function setupOfGroup(setup: SchoolSetup, group: string): SchoolSetup {
  return {
    ...setup,
    subjects: setup.subjects.filter(({ key }) => key === group),
    skills: setup.skills.filter(({ subject }) => subject === group),
    habits: [],
    boxes: setup.boxes.filter(({ subject }) => subject === group),
  }
}
