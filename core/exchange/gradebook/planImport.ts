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
  const problem = tableProblem(table, mapping, known.students)
  if (problem !== null) {
    return { ...nothingPlanned, refused: [{ row: mapping.headingRow, column: '', value: '', reason: problem }] }
  }
  const nameOf = new Map(known.categories.map((category) => [category.key, category.name]))
  const workByTitle = new Map(known.work.map((work) => [nameKey(work.title), work]))
  const { table: whole, refused: shifted } = shiftedRows(table, mapping)
  const { children, note } = withoutSummaries(whole, mapping, known.students)
  const content = readGradebook(children, mapping, (title) => {
    const work = workByTitle.get(nameKey(title))
    return work && { ...work, category: nameOf.get(work.category) ?? work.category }
  })
  const keyOf = categoryFinder(known.categories)
  const called = content.work.map((work) => ({ ...work, category: nameOfCategory(work.category, keyOf).name }))
  const unfit = called.flatMap((work) => refusedWork(work, mapping) ?? [])
  const isUnfit = new Set(unfit.map(({ title }) => nameKey(title)))
  const work = called
    .filter(({ title }) => !isUnfit.has(nameKey(title)))
    .map((each) => planWork(each, workByTitle.get(nameKey(each.title)), keyOf(each.category)))
  const fitting = content.results.filter(({ title }) => !isUnfit.has(nameKey(title)))
  const { owned, doubtful, refused: nobodys } = ownersOf(fitting, mapping, known.students)
  const { results, refused: refusedResults } = planResults(owned, work, known.results)
  const refused = [...shifted, ...content.refused, ...unfit.map(({ refusal: why }) => why)]
  return {
    work,
    results,
    newCategories: [...new Set(work.map((each) => each.work.category).filter((name) => keyOf(name) === null))],
    categoryWeights: weightsOf(content.work, known.categories, keyOf),
    doubtful,
    signs: countedSigns(content.signs),
    refused: [...refused, ...nobodys, ...refusedResults].sort((one, other) => one.row - other.row),
    notes: [...columnNotes(whole, mapping), ...note],
  }
}

const nothingPlanned: ImportPlan = {
  work: [],
  results: [],
  newCategories: [],
  categoryWeights: [],
  doubtful: [],
  signs: [],
  refused: [],
  notes: [],
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

interface OwnedResult {
  readonly result: FileResult
  readonly studentId: string
}

/** What becomes of results whose owners are known; a second one of a child for the same work is refused. */
function planResults(
  owned: readonly OwnedResult[],
  work: readonly PlannedWork[],
  known: readonly KnownResult[],
): { results: PlannedResult[]; refused: Refusal[] } {
  const resultByKey = new Map(known.map((result) => [`${result.workId} ${result.studentId}`, result]))
  const existing = new Map(work.map((planned) => [nameKey(planned.work.title), planned.existing]))
  const taken = new Map<string, number>()
  const results: PlannedResult[] = []
  const refused: Refusal[] = []
  for (const { result, studentId } of owned) {
    const cell = `${nameKey(result.title)} ${studentId}`
    const firstRow = taken.get(cell)
    const reason =
      firstRow === undefined
        ? fieldProblem(fields.remark, result.remark)
        : `This student’s result for “${result.title}” already came in row ${firstRow}.`
    taken.set(cell, firstRow ?? result.row)
    if (reason !== null) refused.push(refusal(result, reason))
    else {
      const before = existing.get(nameKey(result.title))
      results.push(planResult(result, studentId, before ? resultByKey.get(`${before.id} ${studentId}`) : undefined))
    }
  }
  return { results, refused }
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

/** Whose each result is; doubtful people once each, with their rows, and rows of nobody once each. */
function ownersOf<S extends Matchable>(
  results: readonly FileResult[],
  { people }: Pick<GradebookMapping, 'people'>,
  students: readonly S[],
): { owned: OwnedResult[]; doubtful: DoubtfulPerson[]; refused: Refusal[] } {
  const match = studentMatcher(students, { asksNear: true })
  const ids = new Set(students.map((student) => student.id))
  const owned: OwnedResult[] = []
  const doubts = new Map<string, DoubtfulPerson>()
  const nobodys = new Map<number, Refusal>()
  for (const result of results) {
    const { row } = result
    const written = writtenIdentity(result.who)
    const answer = people[written]
    if (answer !== undefined && ids.has(answer)) {
      owned.push({ result, studentId: answer })
      continue
    }
    const found = match(result.who)
    if (found.kind === 'found') owned.push({ result, studentId: found.student.id })
    else if (found.kind === 'unknown') nobodys.set(row, nobodysRow(row, written))
    else {
      const doubt = doubts.get(written) ?? { written, rows: [], candidates: found.candidates.map(candidate) }
      doubts.set(written, doubt.rows.includes(row) ? doubt : { ...doubt, rows: [...doubt.rows, row] })
    }
  }
  return { owned, doubtful: [...doubts.values()], refused: [...nobodys.values()] }
}

function candidate({ id, usedName, family, schoolNumber }: Matchable): DoubtfulPerson['candidates'][number] {
  return { id, name: `${displayName({ given: usedName, family })} (${schoolNumber})` }
}

function nobodysRow(row: number, written: string): Refusal {
  const nobody = `No student of this class is called “${written}”.`
  return { row, column: '', value: written, reason: written === '' ? 'The row has scores but no student.' : nobody }
}

function refusal(result: FileResult, reason: string): Refusal {
  return {
    row: result.row,
    column: result.column,
    value: result.score === null ? result.state : String(result.score),
    reason,
  }
}
