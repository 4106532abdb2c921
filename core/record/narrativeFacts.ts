import { filterMap } from '../flatMap'
import { percentText } from '../marks/rounding'
import type { Because, NarrativeFacts, SayableFact, StandingFact, Trend } from '../narrative/because'
import type { DraftRequest } from '../narrative/draftRequest'
import { lowerFirst } from '../narrative/capitals'
import { memoizeByKey } from '../memoize'
import type { CommentBox } from '../narrative/plan'
import { skillsTogether, type SkillWords } from '../narrative/skillWords'
import type { Level } from '../scales/scale'
import { directionOf, tierRank } from '../scales/tier'
import { asSubject } from './asSubject'
import type { Student } from './roster'
import type { Habit, Skill, Subject } from '../school/schoolSetup'
import { nameOfStrand } from '../school/strand'
import { levelOfMark } from './levelOfMark'
import type { RecordIndex } from './recordIndex'
import { countsOf, levelIn, ratedFacts, toldSkills, skillWordsOf } from './ratedFacts'
import { noteFacts } from './noteFacts'
import { perStudent } from './perStudent'
import { sayableFacts } from './sayableFacts'
import type { UnseenKind } from './termRecord'
import { wholeRecord } from './wholeRecord'

/** Everything that a comment in this box may speak of. Only settled values count: a proposal is not yet a fact. */
export function narrativeFacts(index: RecordIndex, studentId: string, box: CommentBox): NarrativeFacts {
  const { record } = index
  const subject = record.subjects.find((each) => each.key === box.subject)
  const standings = [...habitStandings(index, studentId)]
  for (const [strand, skills] of subject ? toldStrands(record.skills, subject.key) : []) {
    const standing = subject ? strandStanding(index, studentId, strand, { skills, subject }) : undefined
    if (standing) standings.push(standing)
  }
  const mark = subject ? markStanding(index, studentId, subject) : null
  const student = index.student(studentId)
  return {
    termId: record.term.id,
    termName: record.term.name,
    mark,
    standings,
    rated: ratedFacts(index, studentId, subject),
    notes: student ? noteFacts(index, student, box.subject) : [],
    counts: countsOf(index, studentId, subject),
    whole: box.subject === null ? wholeRecord(index, studentId) : null,
    skillsInAll: subject ? toldSkills(record.skills, subject.key).length : 0,
    termBefore: record.earlier[0] ? lowerFirst(record.earlier[0].term.name) : null,
    sayable: sayableFacts(index, studentId, subject, standings),
    ...(record.unseen && { unseen: unseenIn(record.unseen, box) }),
  }
}

/** Of a box with a subject, whoever reads it reads the notes and the results. */
function unseenIn(unseen: readonly UnseenKind[], box: CommentBox): ReadonlySet<UnseenKind> {
  return new Set(unseen.filter((kind) => box.subject === null || kind === 'habit' || kind === 'attendance'))
}

/** What the narrative engine needs to write one box of one student. */
export function draftRequest(index: RecordIndex, student: Student, box: CommentBox): DraftRequest {
  const standing = index.commentOf(student.id, box.key)
  return {
    seed: student.schoolNumber,
    subject: asSubject(index, student),
    grade: /^\d+$/.test(student.gradeLevel) ? Number(student.gradeLevel) : null,
    box,
    facts: narrativeFacts(index, student.id, box),
    avoid: new Set(index.commentBefore(student.id, box.key)?.sentences.flatMap((sentence) => sentence.phraseIds)),
    standing: new Set(standing?.sentences.flatMap((sentence) => sentence.phraseIds)),
    elsewhere: phrasesElsewhere(index, student, box),
  }
}

function phrasesElsewhere(index: RecordIndex, student: Student, box: CommentBox): Map<string, number> {
  const counts = new Map<string, number>()
  for (const { key } of index.record.boxes) {
    const sentences = key === box.key ? [] : (index.commentOf(student.id, key)?.sentences ?? [])
    for (const id of sentences.flatMap(({ phraseIds }) => phraseIds)) counts.set(id, (counts.get(id) ?? 0) + 1)
  }
  return counts
}

const habitStandings = perStudent((index, studentId): readonly StandingFact[] =>
  filterMap(index.record.habits, (habit) => habitStanding(index, studentId, habit)),
)

function habitStanding(index: RecordIndex, studentId: string, habit: Habit): StandingFact | undefined {
  const level = levelIn(index, habit.scale, index.levelOf(studentId, 'habit', habit.key))
  if (!level) return undefined
  const because: Because = {
    kind: 'habit',
    about: habit.key,
    text: `${habit.name}: ${level.symbol} (${level.name})`,
    tier: level.tier,
    termId: index.record.term.id,
  }
  const trend = trendBetween(
    index,
    { about: habit.key, name: habit.name },
    levelIn(index, habit.scale, index.levelBefore(studentId, 'habit', habit.key)),
    level,
  )
  return {
    kind: 'habit',
    about: habit.key,
    name: habit.name,
    tier: level.tier,
    uneven: false,
    because: [because],
    trend,
    strongestSkill: null,
    weakestSkill: null,
    skills: skillsInWords([habit], { about: habit.key, termId: index.record.term.id }),
  }
}

/**
 * Skills of a strand have no level in common when they lie two tiers apart, or one is a strength and one a difficulty;
 * ours.
 */
function lieFarApart(best: Level, least: Level): boolean {
  return tierRank(best.tier) - tierRank(least.tier) >= 2 || directionOf(best.tier) !== directionOf(least.tier)
}

/**
 * Where a strand of several skills stands: at the lower median of their levels, so that it is never said to be better
 * than half of its skills. Where they lie far apart no one level is true: the strand is uneven, counts as its weakest
 * skill does, and is told by its strongest and weakest; and it has no trend. (Our own rules, docs/decisions/0005.)
 */
function strandStanding(
  index: RecordIndex,
  studentId: string,
  strand: string,
  { skills: told, subject }: { skills: readonly Skill[]; subject: Subject },
): StandingFact | undefined {
  const scale = subject.skillScale
  const name = nameOfStrand(subject, strand)
  const termId = index.record.term.id
  const known = filterMap(told, (skill) => {
    const level = levelIn(index, scale, index.levelOf(studentId, 'skill', skill.id))
    return level && { skill, level }
  })
  const now = strandLevel(known.map(({ level }) => level))
  if (!now) return undefined
  const before = strandLevel(
    filterMap(told, (skill) => levelIn(index, scale, index.levelBefore(studentId, 'skill', skill.id))),
  )
  const ranked = known
    .filter(({ skill }) => doing(skill) !== '')
    .sort((a, b) => tierRank(b.level.tier) - tierRank(a.level.tier))
  const [best, least] = [ranked[0], ranked.at(-1)]
  const differ = best && least && best.level.tier !== least.level.tier
  const inWords = (kind: string, skill: Skill): SayableFact => ({
    text: doing(skill),
    because: {
      kind: 'skill level',
      about: `${kind} of ${strand}`,
      text: `${kind} of ${name}: ${skill.familyWords}`,
      tier: null,
      termId,
    },
  })
  return {
    kind: 'strand',
    about: strand,
    name,
    tier: now.level.tier,
    uneven: now.uneven,
    because: known.map(({ skill, level }) => ({
      kind: 'skill level',
      about: skill.id,
      text: `${skill.statement}: ${level.symbol} (${level.name})`,
      tier: now.uneven ? level.tier : now.level.tier,
      termId,
    })),
    trend: now.uneven || before?.uneven ? null : trendBetween(index, { about: strand, name }, before?.level, now.level),
    strongestSkill: differ ? inWords('Strongest', best.skill) : null,
    weakestSkill: differ ? inWords('Weakest', least.skill) : null,
    // What stands at the strand's level: of what stands elsewhere it would not be true.
    skills: skillsInWords(
      filterMap(known, ({ skill, level }) => (level.tier === now.level.tier ? skill : null)),
      { about: strand, termId },
    ),
  }
}

/** So many skills are told in one breath. */
const mostSkills = 3

/** Skills of a strand, or a habit, in their own words. */
function skillsInWords(
  told: readonly Pick<Skill, 'familyWords'>[],
  { about, termId }: { about: string; termId: string },
): StandingFact['skills'] {
  const words = filterMap(told, skillWordsOf).slice(0, mostSkills)
  if (words.length === 0) return undefined
  const together = (form: keyof SkillWords): string => skillsTogether(words.map((each) => each[form]))
  const text = together('doing')
  return {
    words: { does: together('does'), do: together('do'), doing: text },
    because: { kind: 'skill level', about: `words of ${about}`, text, tier: null, termId },
  }
}

function doing(skill: Skill): string {
  return skill.inSentence || (skillWordsOf(skill)?.doing ?? '')
}

/** The one level that stands for several, and whether they lie too far apart for that; undefined for none. */
function strandLevel(levels: readonly Level[]): { level: Level; uneven: boolean } | undefined {
  const ordered = [...levels].sort((a, b) => tierRank(a.tier) - tierRank(b.tier))
  const [least, best, middle] = [ordered[0], ordered.at(-1), ordered[Math.ceil(ordered.length / 2) - 1]]
  if (!least || !best || !middle) return undefined
  const uneven = lieFarApart(best, least)
  return { level: uneven ? least : middle, uneven }
}

function markStanding(index: RecordIndex, studentId: string, subject: Subject): StandingFact | null {
  const settled = levelOfMark(index, subject, index.markOf(studentId, subject.key))
  if (!settled) return null
  const { level, percent } = settled
  const text = `Settled mark: ${percentText(percent, index.rulesOf(subject.key).decimals)}, ${level.symbol} (${level.name})`
  const before = levelOfMark(index, subject, index.markBefore(studentId, subject.key))?.level
  return {
    kind: 'mark',
    about: 'mark',
    name: 'mark',
    tier: level.tier,
    uneven: false,
    because: [{ kind: 'mark', about: 'mark', text, tier: level.tier, termId: index.record.term.id }],
    trend: trendBetween(index, { about: 'mark', name: 'mark' }, before, level),
    level,
    strongestSkill: null,
    weakestSkill: null,
  }
}

/** Where something went since the term before: "from Growing to Secure since the autumn term". */
function trendBetween(
  index: RecordIndex,
  { about, name }: Pick<StandingFact, 'about' | 'name'>,
  before: Level | undefined,
  now: Level,
): Trend | null {
  const last = index.record.earlier[0]?.term
  if (!last || !before) return null
  const by = tierRank(now.tier) - tierRank(before.tier)
  const since = `since the ${lowerFirst(last.name)}`
  // Families read a level's name; a teacher knows its symbol, by which texts of before rest on it too.
  const text = by === 0 ? null : `from ${before.name} to ${now.name} ${since}`
  const reason =
    by === 0 ? `${now.symbol} as in the ${lowerFirst(last.name)}` : `from ${before.symbol} to ${now.symbol} ${since}`
  return {
    by,
    text,
    move: by > 0 ? 'up' : by < 0 ? 'down' : 'same',
    because: {
      kind: 'trend',
      about,
      text: `${name}: ${reason}`,
      tier: null,
      termId: last.id,
      value: `${before.symbol} to ${now.symbol}`,
    },
  }
}

/** The strands of a subject with the skills that a comment may tell; found once, as every student is asked about. */
const toldStrands = memoizeByKey((skills: readonly Skill[], subject) => {
  const told = new Set(toldSkills(skills, subject))
  return strandsOf(skills, subject).map(([strand, own]) => [strand, own.filter((skill) => told.has(skill))] as const)
})

/**
 * The strands of a subject in the order of its skills, with their skills.
 * @example strandsOf(skills, 'mathematics') // [['Number', [M1, M2]], ['Measuring', [M3, M4]], …]
 */
export function strandsOf(skills: readonly Skill[], subject: string): [string, Skill[]][] {
  const strands = new Map<string, Skill[]>()
  for (const skill of skills) {
    if (skill.subject === subject) strands.set(skill.strand, [...(strands.get(skill.strand) ?? []), skill])
  }
  return [...strands]
}
