import { standingNamed } from '../narrative/standingsOfBox'
import { nameOfAbout } from '../record/nameOfAbout'
import { narrativeFacts } from '../record/narrativeFacts'
import type { Check } from './finding'
import { ofWhole } from './finding'

/** A comment in a subject that has no settled mark or level, or a plan that speaks of what is not settled yet. */
export const factsMissing: Check = (input) => {
  const { index, student, box, text } = input
  if (text.trim() === '') return []
  const facts = narrativeFacts(index, student.id, box)
  const known = facts.mark !== null || (box.subject !== null && index.markOf(student.id, box.subject) !== undefined)
  const levels = facts.standings.some(({ kind }) => kind === 'strand')
  if (box.subject !== null && !known && !levels && saysSomething(text))
    return [ofWhole('comment without mark', `There is a comment in ${box.name} but no settled mark or level.`, input)]
  const unsettled = [
    ...new Set(
      box.plan.flatMap(({ part, about }) =>
        (part === 'outcome' || part === 'habit') &&
        !['each', 'mark', 'strongest', 'weakest'].includes(about) &&
        !standingNamed({ part, about }, box.subject, facts)
          ? [about]
          : [],
      ),
    ),
  ]
  return unsettled.map((about) =>
    ofWhole(
      'not settled',
      `Nothing is settled for ${nameOfAbout(index.record, box.subject, about)}, so the plan has nothing to say of it.`,
      input,
    ),
  )
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
