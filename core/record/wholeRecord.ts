import type { WholeRecord } from '../narrative/because'
import { aboutMarkOf, aboutSkillsOf } from '../narrative/ofSubjects'
import { tierRank } from '../scales/tier'
import { levelOfMark } from './levelOfMark'
import { ratedFacts } from './ratedFacts'
import type { RecordIndex } from './recordIndex'

/** So many subjects at most are named as the best. */
const mostSubjects = 3

/** What the record of a child adds up to over all subjects. Only settled values count. */
export function wholeRecord(index: RecordIndex, studentId: string): WholeRecord {
  const { record } = index
  const { id: termId } = record.term
  const rated = record.subjects.flatMap((subject) =>
    ratedFacts(index, studentId, subject).filter(({ kind }) => kind === 'skill'),
  )
  const up = rated.filter(({ moved }) => moved > 0).length
  const down = rated.filter(({ moved }) => moved < 0).length
  const text = `Skills in all subjects: ${rated.length}, of which ${up} went up and ${down} down`
  const subjects = record.subjects.map(({ key }) => key)
  return {
    subjects,
    best: bestSubjects(index, studentId),
    skills:
      rated.length === 0
        ? null
        : {
            ...{ of: rated.length, up, down },
            because: { kind: 'skill level', about: aboutSkillsOf(subjects), text, tier: null, termId },
          },
  }
}

/** Those whose mark stands at the highest level of all; none where that is more than a few, or as many as there are. */
function bestSubjects(index: RecordIndex, studentId: string): WholeRecord['best'] {
  const { record } = index
  const marked = record.subjects.flatMap((subject) => {
    const settled = levelOfMark(index, subject, index.markOf(studentId, subject.key))
    return settled ? [{ subject, level: settled.level }] : []
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
