import { roundHalfUp } from '../marks/rounding'
import { median } from '../marks/middle'
import { resultPercent } from '../marks/termMark'
import { markProposal } from './markProposal'
import type { RecordIndex } from './recordIndex'
import { takes } from './takers'

/** Why somebody should look at a student in a subject. */
export interface Look {
  readonly studentId: string
  readonly subject: string
  readonly why: 'missing work' | 'falling' | 'differs' | 'far from last term'
  /** In words, with the figures. */
  readonly words: string
}

/** Points by which a mark is far from the last term's, or newer results are below the older ones; ours. */
const far = 10
/** A mark that differs by less from the record, at the same level, is no reason to look; ours. */
const near = 1
/** So many results are the newer ones. */
const newer = 3

/**
 * Who of a class needs a look in a subject, with the reason: in the order of the class, the missing work first. It is
 * where to look, and says nothing about a child.
 * @param subjects the keys of the subjects that are looked at
 * @example needsALook(index, ['sums'])[0]?.words // '2 pieces of work missing: Quiz, Map'
 */
export function needsALook(index: RecordIndex, subjects: readonly string[]): Look[] {
  return index.record.students.flatMap((student) =>
    subjects.flatMap((subject) =>
      takes(student, subject)
        ? [missing, falling, differs, farFromLastTerm].flatMap((rule) => rule(index, student.id, subject) ?? [])
        : [],
    ),
  )
}

function missing(index: RecordIndex, studentId: string, subject: string): Look | null {
  const ids = new Set(
    index.resultsOf(studentId, subject).flatMap(({ workId, state }) => (state === 'missing' ? [workId] : [])),
  )
  if (ids.size === 0) return null
  const titles = index.workOf(subject).flatMap(({ id, title }) => (ids.has(id) ? [title] : []))
  const words = `${ids.size === 1 ? 'a piece' : `${ids.size} pieces`} of work missing: ${titles.join(', ')}`
  return { studentId, subject, why: 'missing work', words }
}

/** The middle of the newest results against the middle of all before. */
function falling(index: RecordIndex, studentId: string, subject: string): Look | null {
  const rules = index.rulesOf(subject)
  const byWork = new Map(index.resultsOf(studentId, subject).map((result) => [result.workId, result]))
  const percents = index.workOf(subject).flatMap((piece) => {
    const result = byWork.get(piece.id)
    return (result && result.state !== 'missing' ? resultPercent(piece, result, rules) : null) ?? []
  })
  if (percents.length < 2 * newer) return null
  const [before, now] = [median(percents.slice(0, -newer)), median(percents.slice(-newer))]
  if (before === null || now === null || before - now < far) return null
  const words = `the last ${newer} results lie at ${figure(now)} %, those before at ${figure(before)} %`
  return { studentId, subject, why: 'falling', words }
}

/** A settled mark that lies a point or more beside the record, or at another level: less hides those it matters to. */
function differs(index: RecordIndex, studentId: string, subject: string): Look | null {
  const { agreement, settled, computed, settledLevel, proposedLevel } = markProposal(index, studentId, subject)
  if (agreement !== 'differs' || settled?.percent == null || computed.percent === null) return null
  const isNear = Math.abs(settled.percent - computed.percent) < near
  if (isNear && settledLevel?.symbol === proposedLevel?.symbol) return null
  const words = `settled at ${figure(settled.percent)} %, the record adds up to ${figure(computed.percent)} %`
  return { studentId, subject, why: 'differs', words }
}

function farFromLastTerm(index: RecordIndex, studentId: string, subject: string): Look | null {
  const { settled, computed, lastTerm } = markProposal(index, studentId, subject)
  const now = settled?.percent ?? computed.percent
  if (now === null || lastTerm === null || Math.abs(now - lastTerm) < far) return null
  const words = `${figure(now)} %, last term ${figure(lastTerm)} %`
  return { studentId, subject, why: 'far from last term', words }
}

function figure(percent: number): string {
  return String(roundHalfUp(percent))
}
