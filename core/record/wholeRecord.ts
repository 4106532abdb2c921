import { filterMap, flatMap } from '../flatMap'
import type { Because, SkillsInAll, WholeRecord } from '../narrative/because'
import { aboutMarkOf, aboutSkillsOf, aboutSkillsThat } from '../narrative/ofSubjects'
import { tierRank } from '../scales/tier'
import { levelOfMark } from './levelOfMark'
import { ratedSkills } from './ratedFacts'
import type { RecordIndex } from './recordIndex'
import { subjectsTaken } from './takers'

/** So many subjects at most are named as the best. */
const mostSubjects = 3

/** What the record of a child adds up to over all subjects. Only settled values count. */
export function wholeRecord(index: RecordIndex, studentId: string): WholeRecord {
  const subjects = index.record.subjects.map(({ key }) => key)
  return { subjects, best: bestSubjects(index, studentId), skills: skillsInAll(index, studentId, subjects) }
}

function skillsInAll(index: RecordIndex, studentId: string, subjects: readonly string[]): SkillsInAll | null {
  const { record } = index
  const rated = flatMap(subjectsTaken(index, studentId), (subject) => ratedSkills(index, studentId, subject))
  if (rated.length === 0) return null
  const up = rated.filter(({ moved }) => moved > 0).length
  const down = rated.filter(({ moved }) => moved < 0).length
  const ranks = rated.map(({ level }) => tierRank(level.tier))
  const secure = ranks.filter((rank) => rank >= tierRank('sound')).length
  const strong = ranks.filter((rank) => rank > tierRank('sound')).length
  const all = `Skills in all subjects: ${rated.length}, of which`
  const because = (about: string, text: string): Because => ({
    kind: 'skill level',
    about,
    text: `${all} ${text}`,
    tier: null,
    termId: record.term.id,
  })
  return {
    of: rated.length,
    up,
    down,
    secure,
    strong,
    because: because(aboutSkillsOf(subjects), `${up} went up and ${down} down`),
    becauseOfSecure: because(aboutSkillsThat('secure', subjects), `${secure} are secure`),
    becauseOfStrong: because(aboutSkillsThat('strong', subjects), `${strong} are strengths`),
  }
}

/** Those whose mark stands at the highest level of all; none where that is more than a few, or as many as there are. */
function bestSubjects(index: RecordIndex, studentId: string): WholeRecord['best'] {
  const { record } = index
  const marked = filterMap(subjectsTaken(index, studentId), (subject) => {
    const settled = levelOfMark(index, subject, index.markOf(studentId, subject.key))
    return settled && { subject, level: settled.level }
  })
  const highest = Math.max(...marked.map(({ level }) => tierRank(level.tier)))
  const best = marked.filter(({ level }) => tierRank(level.tier) === highest)
  if (marked.length < 3 || best.length > mostSubjects || best.length === marked.length) return []
  return best.map(({ subject, level }) => ({
    text: subject.inSentence,
    because: {
      kind: 'mark' as const,
      about: aboutMarkOf(subject.key),
      text: `${subject.name}: ${level.name}`,
      tier: level.tier,
      termId: record.term.id,
    },
  }))
}
