import type { NarrativeFacts } from '../narrative/because'
import { fidelity } from '../narrative/followEdits'
import { sentencesOf } from '../narrative/sentences'
import { familyOf } from '../narrative/wordFamily'
import { narrativeFacts } from '../record/narrativeFacts'
import type { StudentComment } from '../record/termRecord'
import { tierRank, type Tier } from '../scales/tier'
import { wholeWords } from '../school/checkSettings'
import type { Check, Finding } from './finding'

/** Words that only a high level bears out; with the school's describing words for the top. Ours. */
const praise = [
  'brilliant',
  'flawless',
  'effortless',
  'perfect',
  'masterly',
  'top of the class',
  'extraordinary',
  'exemplary',
]
/** Words that only a low level bears out. Ours. */
const blame = [
  'struggles',
  'struggling',
  'struggled',
  'weak',
  'weakness',
  'poor',
  'poorly',
  'unable',
  'fails',
  'failing',
  'failed',
  'very little progress',
  'far behind',
  'cannot yet',
  'lacks',
]

/** Words that contradict the level or the habit score of what the sentence speaks of. */
export const contradicts: Check = ({ index, student, box, comment, text }) => {
  if (text.trim() === '') return []
  const facts = narrativeFacts(index, student.id, box)
  const praising = [...praise, ...index.record.phrasebook.describing.top]
  return sentencesOf(text).flatMap((sentence): Finding[] => {
    const found = tiersOf(sentence, text, comment, facts)
    if (found.tiers.length === 0) return []
    const ranks = found.tiers.map(tierRank)
    const wrong =
      Math.max(...ranks) <= tierRank('growing')
        ? wordsIn(sentence.text, praising)
        : Math.min(...ranks) >= tierRank('strong')
          ? wordsIn(sentence.text, blame)
          : []
    return wrong.map(({ word, at }) => ({
      check: 'contradicts the level',
      why: `“${word}” does not go with ${found.what}.`,
      start: sentence.start + at,
      end: sentence.start + at + word.length,
      mends: [],
    }))
  })
}

/** What a sentence speaks of: what it was composed from, else the strand or habit that it names, else the whole box. */
function tiersOf(
  sentence: { text: string; start: number; end: number },
  text: string,
  comment: StudentComment | undefined,
  facts: NarrativeFacts,
): { tiers: Tier[]; what: string } {
  const composed = comment?.sentences.find(
    (each) => each.start < sentence.end && each.end > sentence.start && fidelity(each, text) !== 'own words',
  )
  // A phrase of the school's own for this very level says what the school means.
  if (composed && fidelity(composed, text) === 'as composed') return { tiers: [], what: '' }
  const because = composed?.because.filter((each) => each.tier !== null) ?? []
  const [first] = because
  if (first) return { tiers: because.flatMap((each) => each.tier ?? []), what: `“${first.text}”` }
  const named = facts.standings.filter((standing) => sentence.text.search(wholeWords(standing.name)) >= 0)
  const standings =
    named.length > 0
      ? named
      : [
          ...(facts.mark ? [facts.mark] : []),
          ...facts.standings.filter((standing) => facts.mark === null || standing.kind === 'strand'),
        ]
  return {
    tiers: standings.flatMap((standing) =>
      standing.uneven ? standing.because.flatMap((each) => each.tier ?? []) : standing.tier,
    ),
    what: named[0] ? `“${named[0].because[0]?.text ?? named[0].name}”` : 'what is settled here',
  }
}

function wordsIn(sentence: string, words: readonly string[]): { word: string; at: number }[] {
  const families = new Set(words.map(familyOf))
  const single = [...sentence.matchAll(/\p{L}[\p{L}’'-]*/gu)]
    .filter((match) => families.has(familyOf(match[0])))
    .map((match) => ({ word: match[0], at: match.index }))
  const several = words
    .filter((word) => word.includes(' '))
    .flatMap((word) => [...sentence.matchAll(wholeWords(word))].map((match) => ({ word: match[0], at: match.index })))
  return [...single, ...several]
}
