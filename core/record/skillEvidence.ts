import { drawTogether } from '../marks/drawTogether'
import { mostFrequent } from '../marks/middle'
import { levelForPercent, type Level, type Scale } from '../scales/scale'
import { tierRank } from '../scales/tier'
import type { RecordIndex } from './recordIndex'
import type { SubjectWork } from './termRecord'

/** What one piece of work shows of one skill: per cent of its questions’ points. */
export interface SkillResult {
  readonly work: SubjectWork
  readonly percent: number
  readonly level: Level | undefined
}

/** What the record shows of a skill, and the level that it proposes. */
export interface SkillEvidence {
  /** Oldest first. */
  readonly results: readonly SkillResult[]
  /** Per cent, drawn together as the subject's results are; null where nothing shows the skill. */
  readonly percent: number | null
  readonly proposed: Level | undefined
  readonly mostRecent: Level | undefined
  readonly mostFrequent: Level | undefined
}

const nothing: SkillEvidence = {
  results: [],
  percent: null,
  ...{ proposed: undefined, mostRecent: undefined, mostFrequent: undefined },
}

/**
 * What one student's answers to questions tied to a skill show of it, and the level that they propose. Whether a skill
 * is held to be reached is the teacher's to say: this is evidence.
 * @example skillEvidence(index, 'maya', 's1').proposed?.symbol // '3': 3.5 of 4 points in the questions about it
 */
export function skillEvidence(index: RecordIndex, studentId: string, skillId: string): SkillEvidence {
  const { skills, subjects } = index.record
  const skill = skills.find(({ id }) => id === skillId)
  const subject = subjects.find(({ key }) => key === skill?.subject)
  if (!subject) return nothing
  const scale = index.scale(subject.skillScale)
  const marks = index.markScaleOf(subject.key)
  const results = index.workOf(subject.key).flatMap((work): SkillResult[] => {
    const percent = shownOf(index, work.id, { studentId, skillId })
    return percent === null ? [] : [{ work, percent, level: levelShown(scale, marks, percent) }]
  })
  if (results.length === 0) return nothing
  const items = results.map(({ percent, work }) => ({ value: percent, weight: work.weight }))
  const percent = drawTogether(items, index.rulesOf(subject.key), marks)
  const symbols = results.flatMap(({ level }) => level?.symbol ?? [])
  const most = mostFrequent(symbols)
  return {
    results,
    percent,
    proposed: percent === null ? undefined : levelShown(scale, marks, percent),
    mostRecent: results.at(-1)?.level,
    mostFrequent: scale?.levels.find(({ symbol }) => symbol === most),
  }
}

/**
 * The levels that the record proposes for a class, by student and skill.
 * @example proposedLevels(index, ['s1']).get('maya s1') // '3'
 */
export function proposedLevels(index: RecordIndex, skills: readonly string[]): Map<string, string> {
  // Most classes have no questions tied to skills, and nothing to look for.
  if (index.record.answers.length === 0) return new Map()
  return new Map(
    index.record.students.flatMap(({ id }) =>
      skills.flatMap((skill) => {
        const symbol = skillEvidence(index, id, skill).proposed?.symbol
        return symbol === undefined ? [] : [[`${id} ${skill}`, symbol] as const]
      }),
    ),
  )
}

/** Per cent of the points that a piece of work has for a skill; null where no question about it was answered. */
function shownOf(
  index: RecordIndex,
  workId: string,
  { studentId, skillId }: { studentId: string; skillId: string },
): number | null {
  const scores = new Map(index.answersOf(workId, studentId).map(({ number, score }) => [number, score]))
  const asked = index.questionsOf(workId).filter(({ skill, number }) => skill === skillId && scores.has(number))
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
