import { drawTogether } from '../marks/drawTogether'
import { mostFrequent } from '../marks/middle'
import { findLevel, levelForPercent, type Level, type Scale } from '../scales/scale'
import { tierRank } from '../scales/tier'
import { scaleOfLevel } from '../school/scaleOfLevel'
import type { Observation } from './observations'
import type { RecordIndex } from './recordIndex'
import { takersOf } from './takers'
import type { LevelKind, SubjectWork } from './termRecord'

/** What one piece of work shows of one skill: per cent of its questions’ points. */
export interface SkillResult {
  readonly work: SubjectWork
  readonly percent: number
  readonly level: Level | undefined
}

/** A level or score that somebody saw along the way, in a note. */
export interface Rating {
  readonly note: Observation
  readonly level: Level
}

/** A level that a piece of work or a note shows. */
export interface SeenLevel {
  readonly key: string
  /** The work's title, or what the note says. */
  readonly title: string
  /** An ISO date; empty where the work has none. */
  readonly day: string
  readonly level: Level
}

/** A skill or a habit of one student. */
export interface LevelPlace {
  readonly studentId: string
  readonly kind: LevelKind
  readonly about: string
}

/** What the record shows of a skill or a habit, and the level that it proposes. */
export interface LevelEvidence {
  /** Oldest first; none for a habit. */
  readonly results: readonly SkillResult[]
  /** Oldest first. */
  readonly ratings: readonly Rating[]
  /** Both together, oldest first, work without a day before all. */
  readonly seen: readonly SeenLevel[]
  /** Per cent of the results, drawn together as the subject's results are; null where there are none. */
  readonly percent: number | null
  readonly proposed: Level | undefined
  readonly mostRecent: Level | undefined
  readonly mostFrequent: Level | undefined
}

/**
 * What one student's answers to questions tied to a skill, and the levels that were seen along the way, show of a skill
 * or a habit, and the level that they propose: results alone by their per cent, drawn together as marks are; where
 * anybody saw a level, the most frequent of all levels, among equally frequent ones the more recent (common practice
 * among teachers). Whether something is held to be reached is the teacher's to say: this is evidence.
 * @example levelEvidence(index, { studentId: 'maya', kind: 'skill', about: 's1' }).proposed?.symbol
 * // '3': 3.5 of 4 points in the questions about it
 */
export function levelEvidence(index: RecordIndex, place: LevelPlace): LevelEvidence {
  const { scale, subject } = scaleOfLevel(index.record, place)
  const marks = subject === null ? undefined : index.markScaleOf(subject)
  const results = (subject === null ? [] : index.workOf(subject)).flatMap((work): SkillResult[] => {
    const percent = shownOf(index, work.id, place)
    return percent === null ? [] : [{ work, percent, level: levelShown(scale, marks, percent) }]
  })
  const ratings = index.ratingsOf(place).flatMap((note): Rating[] => {
    const level = scale && note.symbol !== null ? findLevel(scale, note.symbol) : undefined
    return level ? [{ note, level }] : []
  })
  const items = results.map(({ percent, work }) => ({ value: percent, weight: work.weight }))
  const percent = items.length === 0 ? null : drawTogether(items, index.rulesOf(subject ?? ''), marks)
  const seen = inOrder(results, ratings)
  const levels = seen.map(({ level }) => level)
  const most = mostFrequent(levels)
  const drawn = percent === null ? undefined : levelShown(scale, marks, percent)
  const proposed = ratings.length > 0 ? most : drawn
  return { results, ratings, seen, percent, proposed, mostRecent: levels.at(-1), mostFrequent: most }
}

/**
 * The levels that the record proposes for a class, by student and skill or habit.
 * @example proposedLevels(index, 'skill', ['s1']).get('maya s1') // '3'
 */
export function proposedLevels(index: RecordIndex, kind: LevelKind, abouts: readonly string[]): Map<string, string> {
  const { answers, observations, students } = index.record
  // Most classes have no questions tied to skills, nor levels seen along the way, and nothing to look for.
  if (answers.length === 0 && observations.every(({ symbol }) => symbol === null)) return new Map()
  return new Map(
    abouts.flatMap((about) =>
      takersOf(students, scaleOfLevel(index.record, { kind, about }).subject).flatMap(({ id }) => {
        const symbol = levelEvidence(index, { studentId: id, kind, about }).proposed?.symbol
        return symbol === undefined ? [] : [[`${id} ${about}`, symbol] as const]
      }),
    ),
  )
}

/** A level that was settled when the record proposed another than it does now. */
export interface MovedLevel extends LevelPlace {
  /** What was proposed then, and what is now: symbols. */
  readonly from: string
  readonly to: string
  readonly settled: string
}

/**
 * Whose record has changed since their level was settled. What was settled before anything was proposed, or as what is
 * proposed now, asks for nothing.
 * @param proposed what the record proposes now, as proposedLevels tells it
 * @example movedLevels(index, 'skill', proposed) // [{ studentId: 'maya', about: 's1', from: '3', to: '2', … }]
 */
export function movedLevels(
  index: RecordIndex,
  kind: LevelKind,
  proposed: ReadonlyMap<string, string>,
): readonly MovedLevel[] {
  const settled = kind === 'skill' ? index.record.levels : index.record.habitScores
  return settled.flatMap(({ studentId, about, symbol, proposed: from }): MovedLevel[] => {
    const to = proposed.get(`${studentId} ${about}`)
    if (!from || to === undefined || to === from || to === symbol) return []
    return [{ studentId, kind, about, from, to, settled: symbol }]
  })
}

function inOrder(results: readonly SkillResult[], ratings: readonly Rating[]): readonly SeenLevel[] {
  return [
    ...results.flatMap(({ work, level }) =>
      level ? [{ key: work.id, title: work.title, day: work.date ?? '', level }] : [],
    ),
    ...ratings.map(({ note, level }) => ({ key: note.id, title: note.text, day: note.date, level })),
  ].toSorted((a, b) => (a.day < b.day ? -1 : Number(a.day > b.day)))
}

/** Per cent of the points that a piece of work has for a skill; null where no question about it was answered. */
function shownOf(index: RecordIndex, workId: string, { studentId, about }: LevelPlace): number | null {
  const scores = new Map(index.answersOf(workId, studentId).map(({ number, score }) => [number, score]))
  const asked = index.questionsOf(workId).filter(({ skill, number }) => skill === about && scores.has(number))
  const outOf = asked.reduce((sum, question) => sum + question.outOf, 0)
  const score = asked.reduce((sum, { number }) => sum + (scores.get(number) ?? 0), 0)
  return outOf > 0 ? (score / outOf) * 100 : null
}

/**
 * The level of a skill's scale that a percentage stands for. A school sets cut-offs for marks, and pins each level of
 * both scales to a tier: the mark's level has a tier, and the skill's level is the highest that is not above it. A
 * skill scale with cut-offs of its own goes by those.
 * @example levelShown(skills, marks, 84)?.symbol // '3', where 84 is a B, and B and 3 are both strong
 */
export function levelShown(scale: Scale | undefined, marks: Scale | undefined, percent: number): Level | undefined {
  if (!scale) return undefined
  const own = levelForPercent(scale, percent)
  if (own) return own
  const mark = marks && levelForPercent(marks, percent)
  if (!mark) return undefined
  return scale.levels.find(({ tier }) => tierRank(tier) <= tierRank(mark.tier)) ?? scale.levels.at(-1)
}
