import type { AttendanceToKeep } from '~~/contracts/classList'
import type { AnswerToWrite, RegisterToKeep } from '~~/contracts/evidence'
import type { NoteKept, NoteToWrite } from '~~/contracts/notes'
import type { ResultToWrite } from '~~/contracts/results'
import type { LevelToSettle, MarkToSettle } from '~~/contracts/settle'
import type { CommentToWrite, FindingToAccept } from '~~/contracts/write'
import { assertNever } from '~~/core/assertNever'
import type { RegisterDay } from '~~/core/record/register'

/** A change as it is asked of the server. */
export type WorkBody =
  | { kind: 'comment'; body: CommentToWrite }
  | { kind: 'marks'; body: { marks: MarkToSettle[] } }
  | { kind: 'levels'; body: { levels: LevelToSettle[] } }
  | { kind: 'results'; body: { results: ResultToWrite[] } }
  | { kind: 'attendance'; body: { attendance: AttendanceToKeep[] } }
  | { kind: 'answers'; body: { answers: AnswerToWrite[] } }
  | { kind: 'register'; body: { days: RegisterToKeep[] } }
  | { kind: 'note'; body: NoteToWrite }
  | { kind: 'finding'; body: FindingToAccept }

/** A piece of work that goes to the server: what, where, and in words for the person who did it. */
export type Work = WorkBody & {
  /** Newer work of this tab under the same key goes out together with older work that has not gone out yet. */
  key: string
  path: string
  /** "General comment of Finn" */
  what: string
}

/** Where something stood that was changed elsewhere; `nth` counts in the order it was sent. */
export interface Conflict {
  nth: number
  standing: unknown
  version: number
}

/** Why the server would not take something. */
export interface Problem {
  status: number
  message: string
  conflicts: Conflict[]
}

/** Two pieces of work under one key as one: what is wanted is the newer, what was seen is the older. */
export function merged(older: Work, newer: Work): Work {
  if (older.kind === 'comment' && newer.kind === 'comment') {
    return { ...newer, body: { ...newer.body, version: older.body.version } }
  }
  if (older.kind === 'marks' && newer.kind === 'marks') {
    return { ...newer, body: { marks: mergedCells(older.body.marks, newer.body.marks, markKey) } }
  }
  if (older.kind === 'levels' && newer.kind === 'levels') {
    return { ...newer, body: { levels: mergedCells(older.body.levels, newer.body.levels, levelKey) } }
  }
  if (older.kind === 'results' && newer.kind === 'results') {
    return { ...newer, body: { results: mergedCells(older.body.results, newer.body.results, resultKey) } }
  }
  if (older.kind === 'attendance' && newer.kind === 'attendance') {
    return { ...newer, body: { attendance: mergedCells(older.body.attendance, newer.body.attendance, attendanceKey) } }
  }
  if (older.kind === 'answers' && newer.kind === 'answers') {
    return { ...newer, body: { answers: mergedCells(older.body.answers, newer.body.answers, answerKey) } }
  }
  if (older.kind === 'register' && newer.kind === 'register') {
    return { ...newer, body: { days: mergedCells(older.body.days, newer.body.days, registerKey) } }
  }
  if (older.kind === 'note' && newer.kind === 'note') {
    return { ...newer, body: { ...newer.body, was: older.body.was } }
  }
  return newer
}

function mergedCells<Cell extends { was: unknown }>(
  older: readonly Cell[],
  newer: readonly Cell[],
  keyOf: (cell: Cell) => string,
): Cell[] {
  const seen = new Map(older.map((cell) => [keyOf(cell), cell.was]))
  const again = new Set(newer.map(keyOf))
  const rest = older.filter((cell) => !again.has(keyOf(cell)))
  const both = newer.map((cell) => ({ ...cell, was: seen.has(keyOf(cell)) ? seen.get(keyOf(cell)) : cell.was }))
  return [...rest, ...both]
}

const markKey = (mark: MarkToSettle): string => `${mark.studentId} ${mark.subject}`
const resultKey = (result: ResultToWrite): string => `${result.workId} ${result.studentId}`
const attendanceKey = (days: AttendanceToKeep): string => days.studentId
const answerKey = (each: AnswerToWrite): string => `${each.workId} ${each.number} ${each.studentId}`
const registerKey = (each: RegisterToKeep): string => `${each.studentId} ${each.day}`
const levelKey = (level: LevelToSettle): string => `${level.studentId} ${level.kind} ${level.about}`

/** Work that is a list of cells with each of them changed or left out; undefined for work that is no list. */
function mapped(
  work: Work,
  change: <Cell extends { was: unknown }>(cells: readonly Cell[], seen: (standing: unknown) => Cell['was']) => Cell[],
): Work | undefined {
  switch (work.kind) {
    case 'marks':
      return { ...work, body: { marks: change(work.body.marks, (standing) => standing as MarkToSettle['was']) } }
    case 'levels': {
      const symbol = (standing: unknown) => (standing as { symbol: string } | null)?.symbol ?? null
      return { ...work, body: { levels: change(work.body.levels, symbol) } }
    }
    case 'results':
      return { ...work, body: { results: change(work.body.results, (standing) => standing as ResultToWrite['was']) } }
    case 'attendance': {
      const days = (standing: unknown) => standing as AttendanceToKeep['was']
      return { ...work, body: { attendance: change(work.body.attendance, days) } }
    }
    case 'answers': {
      const score = (standing: unknown) => (standing as { score: number } | null)?.score ?? null
      return { ...work, body: { answers: change(work.body.answers, score) } }
    }
    case 'register': {
      const presence = (standing: unknown) => (standing as Pick<RegisterDay, 'presence'> | null)?.presence ?? null
      return { ...work, body: { days: change(work.body.days, presence) } }
    }
    case 'comment':
    case 'note':
    case 'finding':
      return undefined
    default:
      return assertNever(work)
  }
}

/**
 * The part of some work that was in conflict, and the rest, which can go out by itself; null where there is none, and
 * where all of it was refused as it is.
 */
export function parted(work: Work, conflicts: readonly Conflict[]): { refused: Work; rest: Work | null } {
  if (conflicts.length === 0) return { refused: work, rest: null }
  const at = new Set(conflicts.map((conflict) => conflict.nth))
  let left = 0
  const rest = mapped(work, (cells) => {
    const others = cells.filter((_, nth) => !at.has(nth))
    left = others.length
    return others
  })
  const refused = mapped(work, (cells) => cells.filter((_, nth) => at.has(nth)))
  return { refused: refused ?? work, rest: left > 0 ? (rest ?? null) : null }
}

/** The same work over what stands now: what its owner has been shown. Conflicts in the order of the work's cells. */
export function overStanding(work: Work, conflicts: readonly Conflict[]): Work {
  if (work.kind === 'comment') return { ...work, body: { ...work.body, version: conflicts[0]?.version ?? 0 } }
  if (work.kind === 'note') {
    return { ...work, body: { ...work.body, was: (conflicts[0]?.standing ?? null) as NoteKept | null } }
  }
  const over = mapped(work, (cells, seen) =>
    cells.map((cell, nth) => ({ ...cell, was: seen(conflicts[nth]?.standing ?? null) })),
  )
  return over ?? work
}

/** The same comment, over what the server has made of the one sent before it. */
export function afterVersion(work: Work, version: number): Work {
  if (work.kind !== 'comment' || work.body.version >= version) return work
  return { ...work, body: { ...work.body, version } }
}
