import { median } from '../core/marks/middle'
import type { ClassRecord } from '../core/record/classRecord'
import { markProposal } from '../core/record/markProposal'
import { indexRecord } from '../core/record/recordIndex'
import { withResults } from '../core/record/resultPlaces'
import type { StudentResult, SubjectWork } from '../core/record/termRecord'

/** What the marks of a large year cost: all of them, and those that rest on one changed result. */
export function benchMarks(demo: ClassRecord): void {
  const record = largeYear(demo, { students: 600, subjects: 8, works: 40 })
  const { students, subjects } = record
  const all = (): void => {
    const index = indexRecord(record)
    for (const { id } of students) for (const { key } of subjects) markProposal(index, id, key)
  }
  all()
  const whole = [1, 2, 3].map(() => timed(all))
  // One result is another, as a grid gives it: all that rests on it is found out again.
  let now = record
  const changes = Array.from({ length: 40 }, (_, nth) => {
    const { studentId, workId } = record.results[(nth * 4799) % record.results.length] as StudentResult
    const subject = record.work.find(({ id }) => id === workId)?.subject ?? ''
    const result = { state: 'scored' as const, score: nth % 20, remark: '' }
    return timed(() => {
      now = { ...now, results: withResults(now.results, [{ studentId, workId, result }]) }
      markProposal(indexRecord(now), studentId, subject)
    })
  })
  const cells = `${students.length} students x ${subjects.length} subjects x 40 results`
  console.log(`\nmarks of ${cells}: ${(median(whole) ?? 0).toFixed(0)} ms (middle of 3)`)
  console.log(`  one result changed, the mark that rests on it: ${(median(changes) ?? 0).toFixed(2)} ms (middle of 40)`)
}

function timed(work: () => unknown): number {
  const from = performance.now()
  work()
  return performance.now() - from
}

function largeYear(demo: ClassRecord, size: { students: number; subjects: number; works: number }): ClassRecord {
  const [student, subject] = [demo.students[0], demo.subjects[0]]
  if (!student || !subject) throw new Error('The demo class is empty.')
  const subjects = Array.from({ length: size.subjects }, (_, at) => ({ ...subject, key: `s${at}`, name: `S ${at}` }))
  const students = Array.from({ length: size.students }, (_, at) => ({
    ...student,
    id: `p${at}`,
    schoolNumber: `${at}`,
  }))
  const categories = subjects.flatMap(({ key }) =>
    ['Quizzes', 'Projects'].map((name) => ({ subject: key, key: name, name, weight: 50, isExam: false })),
  )
  const work = subjects.flatMap(({ key }) =>
    Array.from({ length: size.works }, (_, at): SubjectWork => ({
      id: `${key}-${at}`,
      subject: key,
      title: `W ${at}`,
      outOf: 20,
      weight: 1,
      counts: true,
      category: at % 2 === 0 ? 'Quizzes' : 'Projects',
      date: `2026-${at < 20 ? '09' : '10'}-${(at % 20) + 10}`,
    })),
  )
  const results = students.flatMap(({ id }, nth) =>
    work.map((piece, at) => ({
      studentId: id,
      workId: piece.id,
      state: 'scored' as const,
      score: (nth * 3 + at * 7) % 21,
      remark: '',
    })),
  )
  return { ...demo, students, subjects, categories, work, results, marks: [], earlier: [] }
}
