import type { Stage } from '~~/core/terms/progress'
import { gridArrows } from './gridArrows'

/** Something that a key does, wherever it does it: told by the list of keys, and asked by the pages themselves. */
export interface Key {
  /** As it is told. */
  readonly does: string
  /** As it is written on a keyboard. */
  readonly press: string
  readonly at: 'everywhere' | readonly Stage[]
  readonly is: (event: KeyboardEvent) => boolean
}

const plain = ({ ctrlKey, metaKey, altKey }: KeyboardEvent): boolean => !ctrlKey && !metaKey && !altKey
const withAlt = (code: string) => (event: KeyboardEvent) =>
  event.altKey && !event.ctrlKey && !event.metaKey && event.code === code
const withControl =
  (key: string, shift = false) =>
  (event: KeyboardEvent) =>
    (event.ctrlKey || event.metaKey) && !event.altKey && event.shiftKey === shift && event.key.toLowerCase() === key
const alone =
  (...keys: string[]) =>
  (event: KeyboardEvent) =>
    plain(event) && keys.includes(event.key)

const tableOfKeys = {
  goTo: {
    does: 'Go to a student, class, stage, box or phrase, or do something',
    press: 'Ctrl K',
    at: 'everywhere',
    is: withControl('k'),
  },
  keys: { does: 'Show the keys of this stage', press: '?', at: 'everywhere', is: alone('?') },
  list: {
    does: 'The class list; arrows in it turn to another student',
    press: 'Alt L',
    at: 'everywhere',
    is: withAlt('KeyL'),
  },
  margin: { does: 'The margin, there and away', press: 'Alt M', at: 'everywhere', is: withAlt('KeyM') },
  note: { does: 'A note about the student in view', press: 'Alt J', at: 'everywhere', is: withAlt('KeyJ') },
  student: {
    does: 'All about the student in view, and back',
    press: 'Alt X',
    at: 'everywhere',
    is: withAlt('KeyX'),
  },
  move: {
    does: 'From cell to cell',
    press: 'Arrows',
    at: ['gather', 'settle'],
    is: ({ key }) => key in gridArrows && key !== 'Enter',
  },
  take: {
    does: 'In an empty cell: take what is proposed, and on',
    press: 'Enter',
    at: ['settle'],
    is: alone('Enter'),
  },
  asItStood: { does: 'Leave the cell as it stood', press: 'Esc', at: ['gather', 'settle'], is: alone('Escape') },
  empty: { does: 'Empty the cell', press: 'Delete', at: ['gather', 'settle'], is: alone('Delete', 'Backspace') },
  edit: { does: 'Change what stands in the cell', press: 'F2', at: ['gather'], is: alone('F2') },
  fillDown: {
    does: 'Fill the chosen cells with the first row of them',
    press: 'Ctrl D',
    at: ['gather'],
    is: withControl('d'),
  },
  back: { does: 'A step back', press: 'Ctrl Z', at: ['gather'], is: withControl('z') },
  again: {
    does: 'The step again',
    press: 'Ctrl Y',
    at: ['gather'],
    is: (event) => withControl('y')(event) || withControl('z', true)(event),
  },
  finish: {
    does: 'Finished, and on to the next student',
    press: 'Ctrl Enter',
    at: ['write'],
    is: withControl('enter'),
  },
  reword: { does: 'Another wording of the sentence at the cursor', press: 'Alt W', at: ['write'], is: withAlt('KeyW') },
  offer: {
    does: 'Take one of the sentences that only you can know',
    press: 'Alt 1 … 4',
    at: ['write'],
    is: (event) => offerOf(event) !== null,
  },
  nextFinding: { does: 'The next finding in the text', press: 'Alt N', at: ['write'], is: withAlt('KeyN') },
  nextStudent: { does: 'The next student', press: 'Alt Page Down', at: ['settle', 'write'], is: withAlt('PageDown') },
  studentBefore: { does: 'The student before', press: 'Alt Page Up', at: ['settle', 'write'], is: withAlt('PageUp') },
} as const satisfies Record<string, Key>

export type KeyName = keyof typeof tableOfKeys
export const keyTable: Readonly<Record<KeyName, Key>> = tableOfKeys

/**
 * The keys of a stage, those that do something everywhere first.
 * @example keysOf('write').map(({ press }) => press) // ['Ctrl K', '?', 'Alt L', …, 'Alt Page Up']
 */
export function keysOf(stage: string): Key[] {
  const all = Object.values(keyTable)
  const here = all.filter(({ at }) => at !== 'everywhere' && (at as readonly string[]).includes(stage))
  return [...all.filter(({ at }) => at === 'everywhere'), ...here]
}

/**
 * Which of the offered sentences a key takes, from 0; null for a key that takes none.
 * @example offerOf(the key Alt 2) // 1
 */
export function offerOf({ altKey, ctrlKey, metaKey, code }: KeyboardEvent): number | null {
  const [, digit] = /^Digit([1-4])$/.exec(code) ?? []
  return altKey && !ctrlKey && !metaKey && digit !== undefined ? Number(digit) - 1 : null
}

/** @example if (pressed(event, 'note')) … */
export function pressed(event: KeyboardEvent, name: KeyName): boolean {
  return keyTable[name].is(event)
}

/** Whether what is typed goes into a field, so that a sign alone is no key. */
export function isTyping({ target }: Event): boolean {
  return target instanceof HTMLElement && target.matches('input, textarea, select, [contenteditable="true"]')
}
