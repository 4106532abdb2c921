import { filterMap, flatMap } from '../flatMap'
import type { Counts, RatedFact } from '../narrative/because'
import { skillWords, type SkillWords } from '../narrative/skillWords'
import { findLevel, type Level, type Scale } from '../scales/scale'
import { memoize, memoizeByKey } from '../memoize'
import { tierRank } from '../scales/tier'
import type { Skill, Subject } from '../school/schoolSetup'
import { perStudent } from './perStudent'
import type { RecordIndex } from './recordIndex'
import { subjectsTaken } from './takers'

/**
 * Every skill of a subject and every habit that stands somewhere, each with its own level and that of the term before.
 */
export function ratedFacts(index: RecordIndex, studentId: string, subject: Subject | undefined): RatedFact[] {
  return [...ratedSkills(index, studentId, subject), ...ratedHabits(index, studentId)]
}

const ratedHabits = perStudent((index, studentId): readonly RatedFact[] =>
  filterMap(index.record.habits, (habit) => {
    const place = { kind: 'habit' as const, about: habit.key, strand: null, scale: habit.scale }
    return rated(index, studentId, place, { worded: habit, name: habit.name })
  }),
)

/** The skills alone. */
export function ratedSkills(index: RecordIndex, studentId: string, subject: Subject | undefined): RatedFact[] {
  if (!subject) return []
  return filterMap(toldSkills(index.record.skills, subject.key), (skill) => {
    const place = { kind: 'skill' as const, about: skill.id, strand: skill.strand, scale: subject.skillScale }
    return rated(index, studentId, place, { worded: skill, name: skill.statement })
  })
}

/**
 * The skills of a subject that a comment may tell, found once for as long as the list is in use: what is for the
 * teacher only is no matter for a comment that the family reads.
 */
export const toldSkills: (skills: readonly Skill[], subject: string) => readonly Skill[] = memoizeByKey(
  (skills: readonly Skill[], subject) => skills.filter((skill) => skill.subject === subject && !skill.teacherOnly),
)

function rated(
  index: RecordIndex,
  studentId: string,
  { kind, about, strand, scale }: Pick<RatedFact, 'kind' | 'about' | 'strand'> & { scale: string },
  { worded, name }: { worded: Worded; name: string },
): RatedFact | null {
  const level = levelIn(index, scale, index.levelOf(studentId, kind, about))
  if (!level) return null
  const before = levelIn(index, scale, index.levelBefore(studentId, kind, about)) ?? null
  return {
    kind,
    about,
    strand,
    level,
    before,
    familyWords: worded.familyWords,
    words: skillWordsOf(worded),
    moved: before ? stepsBetween(index, scale, before, level) : 0,
    because: {
      kind: kind === 'skill' ? 'skill level' : 'habit',
      // Not the skill's id alone: a strand's reasons have that, with the strand's own tier.
      about: `level of ${about}`,
      text: `${name}: ${level.symbol} (${level.name})`,
      tier: level.tier,
      termId: index.record.term.id,
    },
  }
}

/** Levels climbed on a scale; below 0 for a fall. */
function stepsBetween(index: RecordIndex, scaleKey: string, before: Level, now: Level): number {
  const scale = index.scale(scaleKey)
  if (!scale) return 0
  const ladder = ladderOf(scale)
  return ladder.indexOf(now) - ladder.indexOf(before)
}

/** The levels of a scale from the lowest on. */
const ladderOf = memoize(({ levels }: Scale) => levels.toSorted((a, b) => tierRank(a.tier) - tierRank(b.tier)))

/** What a family reads of a skill or a habit; `does` as somebody has corrected its words. */
type Worded = Pick<Skill, 'familyWords'> & Partial<Pick<Skill, 'does'>>

/** The words in the forms that sentences need: as somebody has corrected them, else as they are found. */
export const skillWordsOf: (worded: Worded) => SkillWords | null = memoize((worded: Worded) =>
  skillWords(worded.does || worded.familyWords),
)

/** The level that a symbol stands for on a scale; undefined for none, and for what stands in place of a level. */
export function levelIn(index: RecordIndex, scaleKey: string, symbol: string | undefined): Level | undefined {
  const scale = index.scale(scaleKey)
  return scale && symbol !== undefined ? findLevel(scale, symbol) : undefined
}

/** What is counted: work that was late or never came, of the subject or of all; and days away. */
export function countsOf(index: RecordIndex, studentId: string, subject: Subject | undefined): Counts {
  const subjects = subject ? [subject] : subjectsTaken(index, studentId)
  const results = flatMap(subjects, ({ key }) => index.resultsOf(studentId, key))
  const days = index.attendanceOf(studentId)
  return {
    late: results.filter(({ state }) => state === 'late').length,
    missing: results.filter(({ state }) => state === 'missing').length,
    attendance: days && days.daysOpen > 0 ? { daysOpen: days.daysOpen, absences: days.absences } : null,
  }
}
