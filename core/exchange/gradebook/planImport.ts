import { groupBy } from '../../groupBy'
import type { Category, PieceOfWork, Result } from '../../marks/work'
import { fields, fieldProblem } from '../../record/fields'
import { displayName, nameKey } from '../../people/names'
import { studentMatcher, type Matchable } from '../../people/matchStudent'
import type { GradebookMapping } from './gradebookMapping'
import { partedCategory } from './categoryShare'
import { readGradebook } from './readGradebook'
import { signKey } from './takeScore'
import { writtenIdentity } from './rowIdentity'
import type { FileResult, FileWork, Refusal } from './gradebookContent'
import type { Table } from '../files/readTable'
import { shiftedRows } from './shiftedRows'
import { withoutSummaries } from './summaryRows'
import { columnNotes, tableProblem } from './tableProblem'

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
  work: PlannedWork[]
  results: PlannedResult[]
  newCategories: string[]
  /** Weights of categories that the file gives and that the class does not have so. */
  categoryWeights: PlannedWeight[]
  doubtful: DoubtfulPerson[]
  /** Signs of the teacher's own in the cells of results, each once, the most frequent first, with how often. */
  signs: { written: string; times: number }[]
  refused: Refusal[]
  /** What was left out and why, in sentences: columns that hold no results. */
  notes: string[]
}

export interface PlannedWork {
  work: FileWork
  /** The key of its category, where the class has it. */
  categoryKey: string | null
  change: 'new' | 'changed' | 'unchanged'
  /** The work as it stands, by its title; null where the class has none of that title. */
  existing: PieceOfWork | null
  /** What changes about it, in words: "out of 20 → 25". */
  changes: string[]
}

export interface PlannedWeight {
  /** The key of its category, where the class has it. */
  key: string | null
  name: string
  weight: number
  /** What it weighs now; null for a new one. */
  before: number | null
}

/** What a class has, for an import to be compared with. */
export interface KnownGradebook<S extends Matchable> {
  readonly students: readonly S[]
  readonly work: readonly PieceOfWork[]
  readonly results: readonly KnownResult[]
  readonly categories: readonly Category[]
}

/**
 * Compares a file with what the class has. Work is recognised by its title, students by number and name. What the file
 * does not say about a piece of work stays as it is. The same file again plans nothing but "unchanged". A student twice
 * in one column keeps the first row; the second is refused. A table that cannot be a gradebook is refused whole.
 */
export function planImport<S extends Matchable>(
  table: Table,
  mapping: GradebookMapping,
  known: KnownGradebook<S>,
): ImportPlan {
  const nameOf = new Map(known.categories.map((category) => [category.key, category.name]))
  const workByTitle = new Map(known.work.map((work) => [nameKey(work.title), work]))
  const plan: ImportPlan = {
    ...{ work: [], results: [], newCategories: [], categoryWeights: [] },
    ...{ doubtful: [], signs: [], refused: [], notes: [] },
  }
  const problem = tableProblem(table, mapping, known.students)
  if (problem !== null) {
    return { ...plan, refused: [{ row: mapping.headingRow, column: '', value: '', reason: problem }] }
  }
  const { table: whole, refused: shifted } = shiftedRows(table, mapping)
  const { children, note } = withoutSummaries(whole, mapping, known.students)
  const content = readGradebook(children, mapping, (title) => {
    const work = workByTitle.get(nameKey(title))
    return work && { ...work, category: nameOf.get(work.category) ?? work.category }
  })
  plan.refused.push(...shifted, ...content.refused)
  plan.signs = countedSigns(content.signs)
  plan.notes.push(...columnNotes(table, mapping), ...note)
  const keyOf = categoryFinder(known.categories)
  plan.categoryWeights = weightsOf(content.work, known.categories, keyOf)
  const called = content.work.map((work) => ({ ...work, category: nameOfCategory(work.category, keyOf).name }))
  const unfit = called.flatMap((work) => refusedWork(work, mapping) ?? [])
  plan.refused.push(...unfit.map(({ refusal: why }) => why))
  const isUnfit = new Set(unfit.map(({ title }) => nameKey(title)))
  plan.work = called
    .filter(({ title }) => !isUnfit.has(nameKey(title)))
    .map((work) => planWork(work, workByTitle.get(nameKey(work.title)), keyOf(work.category)))
  plan.newCategories = [...new Set(plan.work.map(({ work }) => work.category).filter((name) => keyOf(name) === null))]
  planResults(
    plan,
    content.results.filter(({ title }) => !isUnfit.has(nameKey(title))),
    mapping,
    known,
  )
  plan.refused.sort((a, b) => a.row - b.row)
  return plan
}

/** Characters of a title that is too long. */
const longestShown = 60

/** A piece of work that holds what no piece of work may hold, and why; null where it fits. */
function refusedWork(work: FileWork, { headingRow }: GradebookMapping): { title: string; refusal: Refusal } | null {
  const { title, category, outOf, weight } = work
  const reason =
    fieldProblem(fields.workTitle, title) ??
    fieldProblem(fields.categoryName, category) ??
    fieldProblem(fields.outOf, outOf) ??
    fieldProblem(fields.weight, weight)
  if (reason === null) return null
  const short = title.length > longestShown ? `${title.slice(0, longestShown)} …` : title
  return { title, refusal: { row: headingRow, column: short, value: short, reason } }
}

function countedSigns(signs: readonly string[]): ImportPlan['signs'] {
  const times = new Map<string, { written: string; times: number }>()
  for (const written of signs) {
    const before = times.get(signKey(written))
    times.set(signKey(written), { written: before?.written ?? written, times: (before?.times ?? 0) + 1 })
  }
  return [...times.values()].sort((one, other) => other.times - one.times)
}

function planResults<S extends Matchable>(
  plan: ImportPlan,
  results: readonly FileResult[],
  mapping: GradebookMapping,
  known: KnownGradebook<S>,
): void {
  const resultByKey = new Map(known.results.map((result) => [`${result.workId} ${result.studentId}`, result]))
  const existing = new Map(plan.work.map((planned) => [nameKey(planned.work.title), planned.existing]))
  const whose = personFinder(known.students, mapping, plan)
  const taken = new Map<string, number>()
  for (const result of results) {
    const studentId = whose(result)
    if (studentId === null) continue
    const cell = `${nameKey(result.title)} ${studentId}`
    const firstRow = taken.get(cell)
    if (firstRow !== undefined) {
      const reason = `This student’s result for “${result.title}” already came in row ${firstRow}.`
      plan.refused.push(refusal(result, reason))
      continue
    }
    taken.set(cell, result.row)
    const tooLong = fieldProblem(fields.remark, result.remark)
    if (tooLong !== null) {
      plan.refused.push(refusal(result, tooLong))
      continue
    }
    const work = existing.get(nameKey(result.title))
    plan.results.push(planResult(result, studentId, work ? resultByKey.get(`${work.id} ${studentId}`) : undefined))
  }
}

/** Finds the key of a category by what a file calls it: its name, or the key itself. */
function categoryFinder(categories: KnownGradebook<Matchable>['categories']): (written: string) => string | null {
  const byName = new Map(
    [...categories].reverse().flatMap(({ key, name }) => [[nameKey(key), key] as const, [nameKey(name), key] as const]),
  )
  return (written) => byName.get(nameKey(written)) ?? null
}

/** A category of the class may be called "Quizzes 40%": only what is no name of one is parted. */
function nameOfCategory(
  written: string,
  keyOf: (written: string) => string | null,
): { name: string; weight: number | null } {
  return keyOf(written) === null ? partedCategory(written) : { name: written, weight: null }
}

/** The weights that a file gives beside the names of categories, each once, where they are not what stands. */
function weightsOf(
  work: readonly FileWork[],
  categories: readonly Category[],
  keyOf: (written: string) => string | null,
): PlannedWeight[] {
  const standing = new Map(categories.map((category) => [category.key, category]))
  const given = new Map<string, PlannedWeight>()
  for (const { category } of work) {
    const { name, weight } = nameOfCategory(category, keyOf)
    if (weight === null || given.has(nameKey(name))) continue
    const key = keyOf(name)
    const known = standing.get(key ?? '')
    given.set(nameKey(name), { key, name: known?.name ?? name, weight, before: known?.weight ?? null })
  }
  return [...given.values()].filter(({ weight, before }) => weight !== before)
}

/**
 * The answers about doubtful people that a person can give in one step: of each who can be only one student, that one,
 * unless another row can be the same.
 * @example soleCandidates(plan.doubtful) // { 'Maya': 'the id of Maya Reed' }
 */
export function soleCandidates(doubtful: readonly DoubtfulPerson[]): Record<string, string> {
  const claims = groupBy(
    doubtful.flatMap(({ candidates }) => candidates),
    ({ id }) => id,
  )
  return Object.fromEntries(
    doubtful.flatMap(({ written, candidates: [only, ...others] }) =>
      only && others.length === 0 && claims.get(only.id)?.length === 1 ? [[written, only.id] as const] : [],
    ),
  )
}

export interface PlanCounts {
  new: number
  changed: number
  unchanged: number
  refused: number
  /** Pieces of work that are new, or become something else. */
  workNew: number
  workChanged: number
}

/**
 * How many of each there are, for the summary line; results unless work is named.
 * @example countPlan(plan) // { new: 46, changed: 0, unchanged: 2, refused: 5, workNew: 1, workChanged: 0 }
 */
export function countPlan(plan: ImportPlan): PlanCounts {
  const work = (change: PlannedWork['change']): number => plan.work.filter((each) => each.change === change).length
  const refused = plan.refused.length
  const counts = { new: 0, changed: 0, unchanged: 0, refused, workNew: work('new'), workChanged: work('changed') }
  for (const result of plan.results) counts[result.change] += 1
  return counts
}

function planWork(work: FileWork, existing: PieceOfWork | undefined, categoryKey: string | null): PlannedWork {
  if (!existing) return { work, categoryKey, change: 'new', existing: null, changes: [] }
  const { category, outOf, weight, date, counts } = existing
  const changes = [
    ...(outOf === work.outOf ? [] : [`out of ${outOf} → ${work.outOf}`]),
    ...(category === categoryKey ? [] : [`category ${category} → ${work.category}`]),
    ...(date === work.date ? [] : [`date ${date ?? 'none'} → ${work.date ?? 'none'}`]),
    ...(weight === work.weight ? [] : [`weight ${weight} → ${work.weight}`]),
    ...(counts === work.counts ? [] : [work.counts ? 'goes into the mark' : 'only informs']),
  ]
  return { work, categoryKey, change: changes.length === 0 ? 'unchanged' : 'changed', existing, changes }
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
  const match = studentMatcher(students, { asksNear: true })
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
        const nobody = `No student of this class is called “${written}”.`
        const reason = written === '' ? 'The row has scores but no student.' : nobody
        plan.refused.push({ row: result.row, column: '', value: written, reason })
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
