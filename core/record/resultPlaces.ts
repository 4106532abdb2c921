import { groupBy } from '../groupBy'
import type { StudentResult } from './termRecord'

/** Results by what they are looked up by. */
export interface ResultPlaces {
  readonly byStudent: ReadonlyMap<string, readonly StudentResult[]>
  /** By piece of work, then by student. */
  readonly byWork: ReadonlyMap<string, ReadonlyMap<string, StudentResult>>
}

/** A result put in place of what stood there; null takes it away. */
export interface ResultCell {
  readonly workId: string
  readonly studentId: string
  readonly result: Omit<StudentResult, 'workId' | 'studentId'> | null
}

/** What is known of a list, for as long as the list is in use. Lists of a record are exchanged, never changed. */
const known = new WeakMap<readonly StudentResult[], ResultPlaces>()

/** The places of a list of results: made once per list, in O(results). */
export function placesOfResults(results: readonly StudentResult[]): ResultPlaces {
  const before = known.get(results)
  if (before) return before
  const byStudent = groupBy(results, (result) => result.studentId)
  const byWork = new Map(
    [...groupBy(results, (result) => result.workId)].map(([workId, some]) => [
      workId,
      new Map(some.map((result) => [result.studentId, result])),
    ]),
  )
  const places = { byStudent, byWork }
  known.set(results, places)
  return places
}

/**
 * The list with some results put in, changed or taken away. What is known of the old list is known of the new one at
 * once: a typed cell costs its student and its piece of work, not the class.
 * @example withResults(results, [{ workId: 'quiz', studentId: 'maya', result: null }]) // without that one
 */
export function withResults(results: readonly StudentResult[], cells: readonly ResultCell[]): readonly StudentResult[] {
  const old = placesOfResults(results)
  const byStudent = new Map(old.byStudent)
  const byWork = new Map(old.byWork)
  const changed = new Map<string, Changed>()
  for (const { workId, studentId, result } of cells) {
    const before = byWork.get(workId)?.get(studentId)
    const now = result && { workId, studentId, ...result }
    byWork.set(workId, withEntry(byWork.get(workId), studentId, now))
    const others = (byStudent.get(studentId) ?? []).filter((each) => each !== before)
    byStudent.set(studentId, now ? [...others, now] : others)
    changed.set(`${workId} ${studentId}`, { stood: old.byWork.get(workId)?.get(studentId), now })
  }
  const list = exchanged(results, [...changed.values()])
  known.set(list, { byStudent, byWork })
  return list
}

interface Changed {
  /** What stood in the list; undefined where nothing did. */
  readonly stood: StudentResult | undefined
  readonly now: StudentResult | null
}

/** So few rows are sooner looked for one by one than every row is looked at. */
const few = 8

/** The list with rows exchanged where they stood, new ones behind. */
function exchanged(results: readonly StudentResult[], changed: readonly Changed[]): StudentResult[] {
  const added = changed.flatMap(({ stood, now }) => (stood === undefined && now ? [now] : []))
  const standing = changed.flatMap(({ stood, now }) => (stood ? [[stood, now] as const] : []))
  if (standing.length <= few) {
    const list = [...results]
    for (const [stood, now] of standing) list.splice(list.indexOf(stood), 1, ...(now ? [now] : []))
    return [...list, ...added]
  }
  const instead = new Map<StudentResult, StudentResult | null>(standing)
  const kept = results.flatMap((result) => {
    const now = instead.get(result)
    return now === undefined ? result : (now ?? [])
  })
  return [...kept, ...added]
}

function withEntry(
  of: ReadonlyMap<string, StudentResult> | undefined,
  studentId: string,
  now: StudentResult | null,
): ReadonlyMap<string, StudentResult> {
  const next = new Map(of)
  if (now) next.set(studentId, now)
  else next.delete(studentId)
  return next
}
