import { narrativeFacts } from '../record/narrativeFacts'
import { isMarked } from './empty'
import { explanations } from './explanations'
import type { Check, CheckInput } from './finding'
import { ofWhole } from './finding'

/** A comment in a subject that has no settled mark or level. */
export const commentWithoutMark: Check = (input) =>
  speaksOfNothing(input)
    ? [ofWhole('comment without mark', explanations['comment without mark'](input.box.name), input)]
    : []

/** Whether a text says something of a subject in which nothing is settled. */
export function speaksOfNothing(input: CheckInput): boolean {
  const { index, student, box, text } = input
  if (text.trim() === '' || box.subject === null || isMarked(input)) return false
  const { mark, standings } = narrativeFacts(index, student.id, box)
  return mark === null && !standings.some(({ kind }) => kind === 'strand') && saysSomething(text)
}

/** A text that says no more than that nothing was looked at needs no mark beside it. */
function saysSomething(text: string): boolean {
  return !nothingSaid.test(text)
}

const nothingSaid = new RegExp(
  [
    'no time to look',
    'not (?:yet )?(?:been )?(?:looked at|assessed)',
    'too little to (?:say|go by)',
    'nothing (?:that )?(?:I|we) can say',
    'not been here',
  ].join('|'),
  'i',
)
