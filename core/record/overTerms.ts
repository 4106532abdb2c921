import type { RecordIndex } from './recordIndex'
import type { LevelKind } from './termRecord'
import { earlierOfYear } from './yearSoFar'

/**
 * The levels of one student over the terms of the year, the first first and the one in view last: by skill or habit, a
 * symbol for each term, undefined where none was settled.
 * @example levelsOverTerms(index, 'maya', 'skill').get('s1') // ['2', '3']
 */
export function levelsOverTerms(
  index: RecordIndex,
  studentId: string,
  kind: LevelKind,
): ReadonlyMap<string, readonly (string | undefined)[]> {
  const { record } = index
  const part = kind === 'skill' ? 'levels' : 'habitScores'
  const before = earlierOfYear(record).map(
    (term) =>
      new Map(term[part].flatMap((each) => (each.studentId === studentId ? [[each.about, each.symbol] as const] : []))),
  )
  const abouts = kind === 'skill' ? record.skills.map(({ id }) => id) : record.habits.map(({ key }) => key)
  return new Map(
    abouts.map((about) => [
      about,
      [...before.map((symbols) => symbols.get(about)), index.levelOf(studentId, kind, about)],
    ]),
  )
}

/** The names of the terms of the year up to the one in view. */
export function termsSoFar({ record }: RecordIndex): string[] {
  return [...earlierOfYear(record), record].map(({ term }) => term.name)
}
