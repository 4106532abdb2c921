import { familyOf } from '../narrative/wordFamily'
import { wholeWords } from '../school/checkSettings'
import { clausesOf } from '../narrative/clauses'
import { explanations } from './explanations'
import type { Check, Finding } from './finding'
import { familiesOf, spokenOf } from './spokenOf'

/** The matter of another subject in a subject's comment, as it gets there when texts are copied. */
export const anotherSubject: Check = ({ index, box, text }) => {
  if (box.subject === null) return []
  const { skills, subjects } = index.record
  const own = skills.filter((skill) => skill.subject === box.subject)
  const others = skills.filter((skill) => skill.subject !== box.subject && !skill.teacherOnly)
  const ownWords = new Set(own.flatMap((skill) => [...familiesOf(skill.familyWords), ...familiesOf(skill.statement)]))
  const nameOf = (key: string): string => subjects.find((each) => each.key === key)?.name ?? key
  const subject = subjects.find((each) => each.key === box.subject)
  const bySkill = clausesOf(text).flatMap((clause): Finding[] => {
    const worded = (list: typeof skills) => list.map((skill) => ({ ...skill, kind: 'skill' as const }))
    if (spokenOf(clause.text, worded(own), new Set()).length > 0) return []
    const said = new Set((clause.text.match(/\p{L}[\p{L}’'-]*/gu) ?? []).map(familyOf))
    const [first] = others.filter((skill) => {
      const words = familiesOf(skill.familyWords).filter((family) => !ownWords.has(family))
      const matched = words.filter((family) => said.has(family))
      return matched.length >= 2 && matched.length / words.length >= enough
    })
    return first
      ? [
          {
            check: 'another subject',
            start: clause.start,
            end: clause.end,
            mends: [],
            why: explanations['another subject'].skill(first.familyWords, nameOf(first.subject)),
          },
        ]
      : []
  })
  const byName = subjects
    .filter((each) => each.key !== box.subject && each.inSentence !== subject?.inSentence)
    .flatMap((each) =>
      [...text.matchAll(wholeWords(`in ${each.inSentence}`))]
        // "in reading a graph" is no subject.
        .filter((match) =>
          /^[\s]*([.,;:!?]|$|(?:is|was|has|this|and|he|she|they|to)\b)/.test(text.slice(match.index + match[0].length)),
        )
        .map((match): Finding => ({
          check: 'another subject',
          start: match.index,
          end: match.index + match[0].length,
          mends: [],
          why: explanations['another subject'].name(match[0], nameOf(box.subject ?? '')),
        })),
    )
  return [...bySkill, ...byName]
}

/** So much of what another subject's skill has of its own. */
const enough = 0.66
