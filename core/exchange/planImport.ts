import type { PieceOfWork, Result } from '../marks/work'
import { displayName, nameKey } from '../people/names'
import { studentMatcher, type Matchable } from '../people/matchStudent'
import type { GradebookMapping } from './gradebookMapping'
import { writtenIdentity, type FileResult, type FileWork, type GradebookContent, type Refusal } from './readGradebook'

/** A result that the class has now. */
export interface KnownResult extends Result {
  studentId: string
  remark: string
}

export interface PlannedResult {
  row: number
  studentId: string
  title: string
  state: Result['state']
  score: number | null
  remark: string
  change: 'new' | 'changed' | 'unchanged'
  before: { state: Result['state']; score: number | null } | null
}

export interface DoubtfulPerson {
  /** As the file has it. */
  written: string
  rows: number[]
  candidates: { id: string; name: string }[]
}

/** Everything an import would do, decided before anything is done. */
export interface ImportPlan {
  work: { work: FileWork; change: 'new' | 'changed' | 'unchanged'; existingId: string | null }[]
  results: PlannedResult[]
  newCategories: string[]
  doubtful: DoubtfulPerson[]
  refused: Refusal[]
}

/**
 * Compares a file's content with what the class has. Work is recognised by its title, students by number, else name.
 * The same file again plans nothing but "unchanged". A student twice in one column keeps the first row; the second
 * is refused.
 */
export function planImport<S extends Matchable>(
  content: GradebookContent,
  mapping: GradebookMapping,
  known: {
    students: readonly S[]
    work: readonly PieceOfWork[]
    results: readonly KnownResult[]
    categories: readonly string[]
  },
): ImportPlan {
  const workByTitle = new Map(known.work.map((work) => [nameKey(work.title), work]))
  const resultByKey = new Map(known.results.map((result) => [`${result.workId} ${result.studentId}`, result]))
  const plan: ImportPlan = { work: [], results: [], newCategories: [], doubtful: [], refused: [...content.refused] }
  for (const work of content.work) plan.work.push(planWork(work, workByTitle.get(nameKey(work.title))))
  const categoryNames = new Set(known.categories.map((category) => nameKey(category)))
  plan.newCategories = [...new Set(content.work.map((work) => work.category))].filter(
    (name) => !categoryNames.has(nameKey(name)),
  )

  const whose = personFinder(known.students, mapping, plan)
  const taken = new Map<string, number>()
  for (const result of content.results) {
    const studentId = whose(result)
    if (studentId === null) continue
    const cell = `${nameKey(result.title)} ${studentId}`
    const firstRow = taken.get(cell)
    if (firstRow !== undefined) {
      plan.refused.push(refusal(result, `This student’s result for “${result.title}” already came in row ${firstRow}.`))
      continue
    }
    taken.set(cell, result.row)
    const existing = workByTitle.get(nameKey(result.title))
    plan.results.push(
      planResult(result, studentId, existing ? resultByKey.get(`${existing.id} ${studentId}`) : undefined),
    )
  }
  plan.refused.sort((a, b) => a.row - b.row)
  return plan
}

/** How many of each there are, for the summary line. */
export function countPlan(plan: ImportPlan): { new: number; changed: number; unchanged: number; refused: number } {
  const counts = { new: 0, changed: 0, unchanged: 0, refused: plan.refused.length }
  for (const result of plan.results) counts[result.change] += 1
  return counts
}

function planWork(work: FileWork, existing: PieceOfWork | undefined): ImportPlan['work'][number] {
  if (!existing) return { work, change: 'new', existingId: null }
  const same =
    existing.outOf === work.outOf &&
    nameKey(existing.category) === nameKey(work.category) &&
    (work.date === null || existing.date === work.date) &&
    existing.weight === work.weight
  return {
    work: { ...work, date: work.date ?? existing.date },
    change: same ? 'unchanged' : 'changed',
    existingId: existing.id,
  }
}

function planResult(result: FileResult, studentId: string, before: KnownResult | undefined): PlannedResult {
  const { row, title, state, score, remark } = result
  const same = before?.state === state && before.score === score && (remark === '' || before.remark === remark)
  return {
    row,
    studentId,
    title,
    state,
    score,
    remark: remark || (before?.remark ?? ''),
    change: !before ? 'new' : same ? 'unchanged' : 'changed',
    before: before ? { state: before.state, score: before.score } : null,
  }
}

/** Finds whose a row is; notes doubtful people once each, and refuses unknown ones. */
function personFinder<S extends Matchable>(
  students: readonly S[],
  mapping: GradebookMapping,
  plan: ImportPlan,
): (result: FileResult) => string | null {
  const match = studentMatcher(students)
  const ids = new Set(students.map((student) => student.id))
  const doubts = new Map<string, DoubtfulPerson>()
  const unknownRows = new Set<number>()
  return (result) => {
    const written = writtenIdentity(result.who)
    const answer = mapping.people[written]
    if (answer !== undefined && ids.has(answer)) return answer
    const found = match(result.who)
    if (found.kind === 'found') return found.student.id
    if (found.kind === 'unknown') {
      if (!unknownRows.has(result.row)) {
        plan.refused.push({
          row: result.row,
          column: '',
          value: written,
          reason:
            written === '' ? 'The row has scores but no student.' : `No student of this class is called “${written}”.`,
        })
      }
      unknownRows.add(result.row)
      return null
    }
    const doubt = doubts.get(written)
    if (doubt) {
      if (!doubt.rows.includes(result.row)) doubt.rows.push(result.row)
    } else {
      const candidates = found.candidates.map((student) => ({
        id: student.id,
        name: `${displayName({ given: student.usedName, family: student.family })} (${student.schoolNumber})`,
      }))
      const first = { written, rows: [result.row], candidates }
      doubts.set(written, first)
      plan.doubtful.push(first)
    }
    return null
  }
}

function refusal(result: FileResult, reason: string): Refusal {
  return {
    row: result.row,
    column: result.column,
    value: result.score === null ? result.state : String(result.score),
    reason,
  }
}
