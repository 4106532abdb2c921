import { filterMap } from '../flatMap'
import { memoizeWords } from '../memoize'
import { percentText } from '../marks/rounding'
import { resultPercent } from '../marks/termMark'
import type { Because, NarrativeFacts, SayableFact, StandingFact } from '../narrative/because'
import { lowerFirst } from '../narrative/capitals'
import { listOf } from '../narrative/listOf'
import { tierRank } from '../scales/tier'
import type { Subject } from '../school/schoolSetup'
import { levelOfMark } from './levelOfMark'
import type { RecordIndex } from './recordIndex'

/** From here on a result is worth naming with praise; ours, not a trade rule. */
const praiseworthy = 75

/** So many strengths are named in one breath. */
const mostStrengths = 3

/** What any sentence of the box may name. */
export function sayableFacts(
  index: RecordIndex,
  studentId: string,
  subject: Subject | undefined,
  standings: readonly StandingFact[],
): NarrativeFacts['sayable'] {
  const { record } = index
  const strengths = standings.filter(
    (standing) =>
      tierRank(standing.tier) >= tierRank('strong') && (standing.kind === 'strand') === (subject !== undefined),
  )
  const facts: NarrativeFacts['sayable'] = { term: { text: lowerFirst(record.term.name), because: null } }
  if (subject) {
    facts.subject = { text: subject.inSentence, because: null }
    const work = bestWork(index, studentId, subject.key)
    if (work) {
      facts['best work'] = work.piece
      facts['best result'] = work.result
      if (work.date) facts['best work date'] = work.date
    }
    const mark = markInWords(index, studentId, subject)
    if (mark) facts.mark = mark
  }
  if (strengths.length > 0) facts.strengths = strengthsInWords(strengths, record.term.id)
  const attendance = attendanceInWords(index, studentId)
  if (attendance) facts.attendance = attendance
  return facts
}

/** The best first of what is strong, no more than a sentence holds; in the school's order among equals. */
function strengthsInWords(strengths: readonly StandingFact[], termId: string): SayableFact {
  const best = strengths.toSorted((a, b) => tierRank(b.tier) - tierRank(a.tier)).slice(0, mostStrengths)
  const text = listOf(best.map((standing) => lowerFirst(standing.name)))
  return { text, because: { kind: 'skill level', about: 'strengths', text, tier: null, termId } }
}

/** "Good (B)": the settled mark in the school's own words; the name first, since "A" at the end reads as an article. */
function markInWords(index: RecordIndex, studentId: string, subject: Subject): SayableFact | null {
  const settled = levelOfMark(index, subject, index.markOf(studentId, subject.key))
  if (!settled) return null
  const text = `${settled.level.name} (${settled.level.symbol})`
  return {
    text,
    because: {
      kind: 'mark',
      about: 'mark in words',
      text: `Settled mark: ${text}`,
      tier: null,
      termId: index.record.term.id,
    },
  }
}

const monthAndDay = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC' })

/** The best piece of work in words, with its day where that is known. */
type BestWork = Readonly<Record<'piece' | 'result', SayableFact> & { date: SayableFact | null }>

/** The best counting result, if it is good and no other is as good: what is called the best must be alone in it. */
function bestWork(index: RecordIndex, studentId: string, subjectKey: string): BestWork | null {
  const byWork = new Map(index.resultsOf(studentId, subjectKey).map((result) => [result.workId, result]))
  const scored = filterMap(index.workOf(subjectKey), (piece) => {
    const result = byWork.get(piece.id)
    const percent =
      result?.state === 'scored' && piece.counts ? resultPercent(piece, result, index.rulesOf(subjectKey)) : null
    return percent === null ? null : { piece, score: result?.score, percent }
  })
  const [best, next] = scored.toSorted((a, b) => b.percent - a.percent)
  if (!best || !next || best.percent < praiseworthy || best.percent === next.percent) return null
  const { piece, score, percent } = best
  const because: Because = {
    kind: 'result',
    about: piece.title,
    text: `${piece.title}: ${percentText(percent)}`,
    tier: null,
    termId: index.record.term.id,
  }
  return {
    piece: { text: piece.title, because },
    result: { text: piece.outOf === 100 ? percentText(percent) : `${score} out of ${piece.outOf}`, because },
    date: piece.date === null ? null : { text: dayOf(piece.date), because },
  }
}

/** Some years of days. */
const mostDays = 2000

/** "3 November": put into words once, as formatting takes as long as everything else about a result. */
const dayOf = memoizeWords(mostDays, (date) => monthAndDay.format(new Date(`${date}T00:00:00Z`)))

/** "61 of 62 days". */
function attendanceInWords(index: RecordIndex, studentId: string): SayableFact | null {
  const attendance = index.attendanceOf(studentId)
  if (!attendance || attendance.daysOpen <= 0) return null
  const text = `${attendance.daysOpen - attendance.absences} of ${attendance.daysOpen} days`
  return {
    text,
    because: {
      kind: 'attendance',
      about: 'attendance',
      text: `At school on ${text}`,
      tier: null,
      termId: index.record.term.id,
    },
  }
}
