import { contradictedClaims } from '../narrative/against'
import { clausesOf, type Clause } from '../narrative/clauses'
import type { DraftSentence, NarrativeFacts, RatedFact } from '../narrative/because'
import { fidelity } from '../narrative/followEdits'
import { familyOf } from '../narrative/wordFamily'
import { narrativeFacts } from '../record/narrativeFacts'
import { tierRank } from '../scales/tier'
import { wholeWords } from '../school/checkSettings'
import { explanations } from './explanations'
import type { CheckInput, Check, Finding } from './finding'
import { highWords, lowWords, praise, blame, fallWords, riseWords, type Judging } from './judgingWords'
import { spokenOf } from './spokenOf'

/** A claim that the record speaks against: about a level or a habit score, about what moved, about what is counted. */
export const contradicts: Check = (input) => {
  const { index, student, box, text } = input
  if (text.trim() === '') return []
  const facts = narrativeFacts(index, student.id, box)
  const common = new Set([familyOf(box.name), ...(box.subject ? [familyOf(box.subject)] : [])])
  const counted = contradictedClaims(text, facts).map(({ start, end, why }): Finding => ({
    check: 'contradicts the record',
    start,
    end,
    mends: [],
    why: explanations['contradicts the record'].claim(text.slice(start, end), why),
  }))
  const claims = clausesOf(text).flatMap((clause): Finding[] => {
    const composed = composedAs(input, clause)
    // A phrase of the school's own for this very level says what the school means.
    if (composed && fidelity(composed, text) === 'as composed') return []
    const judged =
      judgedByReasons(composed) ??
      judgedByStrand(clause, facts) ??
      judgedByWords(clause, facts, common, box.subject !== null)
    return [...againstLevels(clause, judged, input), ...againstMoves(clause, judged.spoken, facts)]
  })
  return [...claims, ...counted]
}

function composedAs({ comment, text }: CheckInput, { start, end }: Clause): DraftSentence | undefined {
  return comment?.sentences.find((each) => each.start < end && each.end > start && fidelity(each, text) !== 'own words')
}

interface Judged {
  /** The skills and habits that a clause names; empty where it names none. */
  readonly spoken: readonly RatedFact[]
  /** Where all that it may mean stands: what it names, else all of the box. */
  readonly ranks: readonly number[]
  readonly what: string
  /** False where the clause names nothing, and is taken to speak of the whole box. */
  readonly named: boolean
}

/** What a composed sentence speaks of, though its words were changed. */
function judgedByReasons(composed: DraftSentence | undefined): Judged | null {
  const because = composed?.because.filter(({ tier }) => tier !== null) ?? []
  const [first] = because
  if (!first) return null
  const ranks = because.flatMap(({ tier }) => (tier ? [tierRank(tier)] : []))
  return { spoken: [], ranks, what: `“${first.text}”`, named: true }
}

/** The strands and habits that a clause names as the school does. */
function judgedByStrand({ text }: Clause, { standings }: NarrativeFacts): Judged | null {
  const named = standings.filter(({ name }) => text.search(wholeWords(name)) >= 0)
  const because = named.flatMap((standing) => standing.because)
  const [first] = because
  if (!first) return null
  const tiers = named.flatMap((standing) =>
    standing.uneven ? standing.because.flatMap(({ tier }) => tier ?? []) : standing.tier,
  )
  return { spoken: [], ranks: tiers.map(tierRank), what: `“${first.text}”`, named: true }
}

function judgedByWords(clause: Clause, facts: NarrativeFacts, common: ReadonlySet<string>, inSubject: boolean): Judged {
  const own = facts.rated.filter(({ kind }) => (kind === 'skill') === inSubject)
  const others = facts.rated.filter(({ kind }) => (kind === 'skill') !== inSubject)
  const ofOwn = spokenOf(clause.text, own, common)
  const spoken = ofOwn.length > 0 ? ofOwn : spokenOf(clause.text, others, common, false)
  const [first] = spoken
  const ranksOf = (facts: readonly RatedFact[]): number[] => facts.map(({ level }) => tierRank(level.tier))
  if (first) return { spoken, ranks: ranksOf(spoken), what: `“${first.because.text}”`, named: true }
  const ofMark = facts.mark ? [tierRank(facts.mark.tier)] : []
  return { spoken, ranks: [...ofMark, ...ranksOf(own)], what: 'what is settled here', named: false }
}

function againstLevels(clause: Clause, { spoken, ranks, what, named }: Judged, { index }: CheckInput): Finding[] {
  if (ranks.length === 0) return []
  const habits = spoken.some(({ kind }) => kind === 'habit')
  const top: Judging = { words: index.record.phrasebook.describing.top, patterns: [] }
  const wrong =
    Math.max(...ranks) <= tierRank('growing')
      ? [...(named ? highWords(habits) : praise), top]
      : Math.min(...ranks) >= tierRank('strong')
        ? named
          ? lowWords
          : blame
        : []
  return wrong
    .flatMap((each) => placesOf(each, clause))
    .map(({ from, to }) => ({
      check: 'contradicts the level',
      why: explanations['contradicts the level'](clause.text.slice(from, to), what),
      start: clause.start + from,
      end: clause.start + to,
      mends: [],
    }))
}

/** A rise that is none, or a fall that is none. */
function againstMoves(clause: Clause, spoken: readonly RatedFact[], { rated }: NarrativeFacts): Finding[] {
  const meant = (spoken.length > 0 ? spoken : rated.filter(({ kind }) => kind === 'skill')).filter(
    ({ before }) => before !== null,
  )
  const [first] = meant
  if (!first) return []
  const by = meant.map(({ level, before }) => tierRank(level.tier) - tierRank(before?.tier ?? level.tier))
  const noRise = by.some((each) => each < 0) && !by.some((each) => each > 0)
  const noFall = !by.some((each) => each < 0)
  const wrong = [...(noRise ? [riseWords] : []), ...(noFall ? [fallWords] : [])]
  const why = explanations['contradicts the record'][noRise ? 'rise' : 'fall']
  return wrong
    .flatMap((each) => placesOf(each, clause))
    .map(({ from, to }) => ({
      check: 'contradicts the record',
      why: why(clause.text.slice(from, to), first.because.text, first.before?.symbol ?? ''),
      start: clause.start + from,
      end: clause.start + to,
      mends: [],
    }))
}

/** What takes a judgement back, right before it. */
const takenBack =
  /\b(?:not|never|less|more|hardly|nor|no|without|rarely|seldom|(?:is|are|was|does|do)n[’']t)(?: \p{L}+)?\s$/iu
/** What makes a wish or a plan of what follows it. */
const wished =
  /\b(?:next(?:,| step| time| term| she| he| they)|could|hope|should|to become|in order to|would|might|to be)\b/i
/** What speaks of another time. */
const thenWords =
  /\b(last (?:term|year|autumn|spring|winter)|(?<!\bas )in the (?:autumn|winter|spring|summer)|used to|at first)\b/i

function placesOf({ words, patterns }: Judging, clause: Clause): { from: number; to: number }[] {
  if (thenWords.test(clause.text)) return []
  const families = new Set(words.map(familyOf))
  const single = [...clause.text.matchAll(/\p{L}[\p{L}’'-]*/gu)].filter((match) => families.has(familyOf(match[0])))
  const several = patterns.flatMap((pattern) => [...clause.text.matchAll(pattern)])
  return [...single, ...several]
    .filter((match) => {
      const before = clause.text.slice(0, match.index)
      return !takenBack.test(before) && !wished.test(before)
    })
    .map((match) => ({ from: match.index, to: match.index + match[0].length }))
}
