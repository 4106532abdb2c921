import { termMark } from '../marks/termMark'
import { weightedMean } from '../marks/weightedMean'
import type { ClassRecord } from './classRecord'
import type { RecordIndex } from './recordIndex'
import type { Term } from './term'
import type { SettledTerm } from './termRecord'

/** A student's mark of one term, and what the terms come to up to it; percentages. */
export interface TermSoFar {
  readonly term: Pick<Term, 'id' | 'name'>
  readonly percent: number
  /** How much it weighs in the year. */
  readonly weight: number
  /** Of the term in view nothing may be settled yet: then it is what the record proposes. */
  readonly isSettled: boolean
  readonly soFar: number
}

/**
 * The marks of one student and subject over the terms of the year, the first first, with the mean of the terms up to
 * each, as the school weighs them. A term without a mark is left out; while none of them weighs anything, the year so
 * far is the last of them. Nothing is rounded.
 * @example yearSoFar(index, 'maya', 'mathematics').map(({ soFar }) => soFar) // 64, 67, 71 of terms with 64, 70 and 79
 */
export function yearSoFar(index: RecordIndex, studentId: string, subject: string): TermSoFar[] {
  const { record } = index
  const sofar: TermSoFar[] = []
  const { termWeights } = index.rulesOf(subject)
  const add = (term: TermSoFar['term'], percent: number | null | undefined, isSettled: boolean): void => {
    if (percent === null || percent === undefined) return
    const one = { term: { id: term.id, name: term.name }, percent, weight: termWeights[term.id] ?? 1, isSettled }
    const soFar = weightedMean([...sofar, one].map((each) => ({ value: each.percent, weight: each.weight })))
    sofar.push({ ...one, soFar: soFar ?? percent })
  }
  for (const { term, marks } of earlierOfYear(record)) {
    const mark = marks.find((each) => each.studentId === studentId && each.subject === subject)
    add(term, mark?.percent, true)
  }
  const settled = index.markOf(studentId, subject)
  if (settled) add(record.term, settled.percent, true)
  else add(record.term, proposedPercent(index, studentId, subject), false)
  return sofar
}

/** What the results of the term in view add up to. */
export function proposedPercent(index: RecordIndex, studentId: string, subject: string): number | null {
  const results = index.resultsOf(studentId, subject)
  const rules = { ...index.rulesOf(subject), scale: index.markScaleOf(subject) }
  const work = index.workOf(subject)
  return termMark(work, results, index.categoriesOf(subject), rules).percent
}

/** The terms of the year before the one in view, the first first. */
export function earlierOfYear({ earlier, term }: ClassRecord): SettledTerm[] {
  return earlier.filter((each) => each.term.yearId === term.yearId).toReversed()
}
