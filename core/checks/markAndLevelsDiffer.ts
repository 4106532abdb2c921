import { markAgainstLevels } from '../narrative/markAgainstLevels'
import { narrativeFacts } from '../record/narrativeFacts'
import { explanations } from './explanations'
import type { Check } from './finding'
import { ofWhole } from './finding'

/** A comment beside a mark and levels that tell two stories: no words can be true of both. */
export const markAndLevelsDiffer: Check = (input) => {
  const { index, student, box, text } = input
  if (text.trim() === '' || box.subject === null) return []
  const facts = narrativeFacts(index, student.id, box)
  if (!markAgainstLevels(facts)) return []
  return [
    ofWhole(
      'mark and levels differ',
      explanations['mark and levels differ'](facts.mark?.because[0]?.text ?? 'The mark'),
      input,
    ),
  ]
}
