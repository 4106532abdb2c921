import type { SchoolSetup } from '../school/schoolSetup'
import { narrowSetup } from './narrowSetup'

/**
 * What of a set-up concerns a group: its subject with all that hangs on it. Habits and the general comment are dealt
 * with in the children's home classes.
 * @example setupOfGroup(setup, 'music').boxes.map(({ key }) => key) // ['music']
 */
export function setupOfGroup(setup: SchoolSetup, group: string): SchoolSetup {
  const narrow = narrowSetup(setup, (subject) => subject === group)
  return { ...narrow, habits: [], boxes: narrow.boxes.filter(({ subject }) => subject === group) }
}
