import { standingNamed } from '../narrative/standingsOfBox'
import { nameOfAbout } from '../record/nameOfAbout'
import { narrativeFacts } from '../record/narrativeFacts'
import { speaksOfNothing } from './commentWithoutMark'
import { explanations } from './explanations'
import type { Check } from './finding'
import { ofWhole } from './finding'

/** A plan that speaks of what is not settled yet; not said where nothing is. */
export const notSettled: Check = (input) => {
  const { index, student, box, text } = input
  if (text.trim() === '' || speaksOfNothing(input)) return []
  const facts = narrativeFacts(index, student.id, box)
  const unsettled = box.plan.flatMap(({ part, about }) =>
    (part === 'outcome' || part === 'habit') &&
    !['each', 'mark', 'strongest', 'weakest'].includes(about) &&
    !standingNamed({ part, about }, box.subject, facts)
      ? [about]
      : [],
  )
  return [...new Set(unsettled)].map((about) =>
    ofWhole('not settled', explanations['not settled'](nameOfAbout(index.record, box.subject, about)), input),
  )
}
