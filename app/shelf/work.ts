import type { AttendanceToKeep } from '~~/contracts/classList'
import type { NoteKept, NoteToWrite } from '~~/contracts/notes'
import type { ResultToWrite } from '~~/contracts/results'
import type { LevelToSettle, MarkToSettle } from '~~/contracts/settle'
import type { CommentToWrite, FindingToAccept } from '~~/contracts/write'

/** A change as it is asked of the server. */
export type WorkBody =
  | { kind: 'comment'; body: CommentToWrite }
  | { kind: 'marks'; body: { marks: MarkToSettle[] } }
  | { kind: 'levels'; body: { levels: LevelToSettle[] } }
  | { kind: 'results'; body: { results: ResultToWrite[] } }
  | { kind: 'attendance'; body: { attendance: AttendanceToKeep[] } }
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
    return { ...newer, body: { marks: mergedCells(older.body.marks, newer.body.marks, placeOfMark) } }
  }
  if (older.kind === 'levels' && newer.kind === 'levels') {
    return { ...newer, body: { levels: mergedCells(older.body.levels, newer.body.levels, placeOfLevel) } }
  }
  if (older.kind === 'results' && newer.kind === 'results') {
    return { ...newer, body: { results: mergedCells(older.body.results, newer.body.results, placeOfResult) } }
  }
  if (older.kind === 'attendance' && newer.kind === 'attendance') {
    return { ...newer, body: { attendance: mergedCells(older.body.attendance, newer.body.attendance, placeOfDays) } }
  }
  if (older.kind === 'note' && newer.kind === 'note') {
    return { ...newer, body: { ...newer.body, was: older.body.was } }
  }
  return newer
}

function mergedCells<Cell extends { was: unknown }>(
  older: readonly Cell[],
  newer: readonly Cell[],
  placeOf: (cell: Cell) => string,
): Cell[] {
  const seen = new Map(older.map((cell) => [placeOf(cell), cell.was]))
  const again = new Set(newer.map(placeOf))
  const rest = older.filter((cell) => !again.has(placeOf(cell)))
  const both = newer.map((cell) => ({ ...cell, was: seen.has(placeOf(cell)) ? seen.get(placeOf(cell)) : cell.was }))
  return [...rest, ...both]
}

const placeOfMark = (mark: MarkToSettle): string => `${mark.studentId} ${mark.subject}`
const placeOfResult = (result: ResultToWrite): string => `${result.workId} ${result.studentId}`
const placeOfDays = (days: AttendanceToKeep): string => days.studentId
const placeOfLevel = (level: LevelToSettle): string => `${level.studentId} ${level.kind} ${level.about}`

/** The part of some work that was in conflict, and the rest, which can go out by itself; null where there is none. */
export function parted(work: Work, conflicts: readonly Conflict[]): { refused: Work; rest: Work | null } {
  const at = new Set(conflicts.map((conflict) => conflict.nth))
  if (work.kind === 'marks') {
    const [refused, rest] = halves(work.body.marks, at)
    return {
      refused: { ...work, body: { marks: refused } },
      rest: rest.length ? { ...work, body: { marks: rest } } : null,
    }
  }
  if (work.kind === 'levels') {
    const [refused, rest] = halves(work.body.levels, at)
    const others: Work | null = rest.length ? { ...work, body: { levels: rest } } : null
    return { refused: { ...work, body: { levels: refused } }, rest: others }
  }
  if (work.kind === 'results') {
    const [refused, rest] = halves(work.body.results, at)
    const others: Work | null = rest.length ? { ...work, body: { results: rest } } : null
    return { refused: { ...work, body: { results: refused } }, rest: others }
  }
  if (work.kind === 'attendance') {
    const [refused, rest] = halves(work.body.attendance, at)
    const others: Work | null = rest.length ? { ...work, body: { attendance: rest } } : null
    return { refused: { ...work, body: { attendance: refused } }, rest: others }
  }
  return { refused: work, rest: null }
}

function halves<T>(list: readonly T[], at: ReadonlySet<number>): [T[], T[]] {
  return [list.filter((_, nth) => at.has(nth)), list.filter((_, nth) => !at.has(nth))]
}

/** The same work over what stands now: what its owner has been shown. Conflicts in the order of the work's cells. */
export function overStanding(work: Work, conflicts: readonly Conflict[]): Work {
  if (work.kind === 'comment') return { ...work, body: { ...work.body, version: conflicts[0]?.version ?? 0 } }
  if (work.kind === 'marks') {
    const marks = work.body.marks.map((mark, nth) => ({
      ...mark,
      was: (conflicts[nth]?.standing ?? null) as MarkToSettle['was'],
    }))
    return { ...work, body: { marks } }
  }
  if (work.kind === 'levels') {
    const symbolOf = (standing: unknown): string | null => (standing as { symbol: string } | null)?.symbol ?? null
    const levels = work.body.levels.map((level, nth) => ({ ...level, was: symbolOf(conflicts[nth]?.standing ?? null) }))
    return { ...work, body: { levels } }
  }
  if (work.kind === 'results') {
    const results = work.body.results.map((result, nth) => ({
      ...result,
      was: (conflicts[nth]?.standing ?? null) as ResultToWrite['was'],
    }))
    return { ...work, body: { results } }
  }
  if (work.kind === 'attendance') {
    const attendance = work.body.attendance.map((days, nth) => ({
      ...days,
      was: (conflicts[nth]?.standing ?? null) as AttendanceToKeep['was'],
    }))
    return { ...work, body: { attendance } }
  }
  if (work.kind === 'note') {
    return { ...work, body: { ...work.body, was: (conflicts[0]?.standing ?? null) as NoteKept | null } }
  }
  return work
}

/** The same comment, over what the server has made of the one sent before it. */
export function afterVersion(work: Work, version: number): Work {
  if (work.kind !== 'comment' || work.body.version >= version) return work
  return { ...work, body: { ...work.body, version } }
}
