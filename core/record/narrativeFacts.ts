import { resultPercent } from '../marks/termMark'
import { markLevel } from '../marks/settledMark'
import { percentText } from '../marks/rounding'
import type { NarrativeFacts, StandingFact } from '../narrative/because'
import type { DraftRequest } from '../narrative/draftComment'
import type { CommentBox } from '../narrative/plan'
import { findLevel, type Level } from '../scales/scale'
import { tierRank, tiers } from '../scales/tier'
import type { Skill, Student } from './classRecord'
import type { RecordIndex } from './recordIndex'

/** From here on a result is worth naming with praise; ours, not a trade rule. */
const praiseworthy = 75

/** Everything that a comment in this box may speak of. Only settled values count: a proposal is not yet a fact. */
export function narrativeFacts(index: RecordIndex, studentId: string, box: CommentBox): NarrativeFacts {
  const { record } = index
  const subject = record.subjects.find((each) => each.key === box.subject)
  const standings: Record<string, StandingFact> = {}
  for (const habit of record.habits) {
    const level = settledLevel(index, studentId, habit.key, habit.scale)
    if (level) standings[habit.name] = { about: habit.name, tier: level.tier, because: [because('habit', `${habit.name}: ${level.symbol} (${level.name})`)] }
  }
  if (subject) {
    for (const [strand, skills] of strandsOf(record.skills, subject.key)) {
      const fact = strandStanding(index, studentId, strand, skills, subject.skillScale)
      if (fact) standings[strand] = fact
    }
  }
  return {
    termId: record.term.id,
    termName: record.term.name,
    subjectName: subject?.inSentence ?? null,
    mark: subject ? markStanding(index, studentId, subject.key, subject.markScale) : null,
    standings,
    bestWork: subject ? bestWork(index, studentId, subject.key) : null,
  }

  function because(kind: 'habit', text: string): StandingFact['because'][number] {
    return { kind, text, termId: record.term.id }
  }
}

/** What the narrative engine needs to write one box of one student. */
export function draftRequest(index: RecordIndex, student: Student, box: CommentBox, wording = 0): DraftRequest {
  const { record } = index
  const last = record.before?.comments.find((comment) => comment.studentId === student.id && comment.box === box.key)
  return {
    studentId: student.schoolNumber,
    subject: { name: student.usedName, pronouns: student.pronouns, possessives: record.school.possessives },
    box,
    facts: narrativeFacts(index, student.id, box),
    wording,
    avoid: new Set(last?.sentences.flatMap((sentence) => sentence.phraseIds)),
  }
}

/**
 * One level for a strand of several skills: the lower median of their levels, so that a strand is never said to be
 * better than half of its skills. (Our own rule; a mean would claim more than any of them shows.)
 */
function strandStanding(index: RecordIndex, studentId: string, strand: string, skills: readonly Skill[], scaleKey: string): StandingFact | undefined {
  const known = skills.flatMap((skill) => {
    const level = settledLevel(index, studentId, skill.id, scaleKey)
    return level ? [{ skill, level }] : []
  })
  const ranks = known.map(({ level }) => tierRank(level.tier)).sort((a, b) => a - b)
  const middle = ranks[Math.ceil(ranks.length / 2) - 1]
  const tier = middle === undefined ? undefined : tiers[middle]
  if (!tier) return undefined
  const because = known.map(({ skill, level }) => ({
    kind: 'skill level' as const,
    text: `${skill.statement}: ${level.symbol} (${level.name})`,
    termId: index.record.term.id,
  }))
  return { about: strand, tier, because }
}

function markStanding(index: RecordIndex, studentId: string, subjectKey: string, scaleKey: string): StandingFact | null {
  const scale = index.scale(scaleKey)
  const settled = index.markOf(studentId, subjectKey)
  if (!scale || settled?.percent === null || settled?.percent === undefined) return null
  const rules = index.record.school.markRules
  const level = markLevel(settled.percent, scale, rules)
  if (!level) return null
  const text = `Settled mark: ${percentText(settled.percent, rules.decimals)}, ${level.symbol} (${level.name})`
  return { about: 'mark', tier: level.tier, because: [{ kind: 'mark', text, termId: index.record.term.id }] }
}

/** The best counting result, if it is good; the later one among equals. */
function bestWork(index: RecordIndex, studentId: string, subjectKey: string): NarrativeFacts['bestWork'] {
  const byWork = new Map(index.resultsOf(studentId, subjectKey).map((result) => [result.workId, result]))
  let best: { title: string; percent: number } | null = null
  for (const piece of index.workOf(subjectKey)) {
    const result = byWork.get(piece.id)
    const percent = result?.state === 'scored' && piece.counts ? resultPercent(piece, result, index.record.school.markRules) : null
    if (percent !== null && percent >= praiseworthy && (!best || percent >= best.percent)) best = { title: piece.title, percent }
  }
  if (!best) return null
  return { title: best.title, because: { kind: 'result', text: `${best.title}: ${percentText(best.percent)}`, termId: index.record.term.id } }
}

function settledLevel(index: RecordIndex, studentId: string, about: string, scaleKey: string): Level | undefined {
  const scale = index.scale(scaleKey)
  const symbol = index.levelOf(studentId, about)
  return scale && symbol !== undefined ? findLevel(scale, symbol) : undefined
}

/** The strands of a subject in the order of its skills, with their skills. */
export function strandsOf(skills: readonly Skill[], subject: string): [string, Skill[]][] {
  const strands = new Map<string, Skill[]>()
  for (const skill of skills) {
    if (skill.subject === subject) strands.set(skill.strand, [...(strands.get(skill.strand) ?? []), skill])
  }
  return [...strands]
}
