import { categoryWithWeight } from '../gradebook/categoryShare'
import type { NamedTable } from '../files/readTable'
import { groupBy } from '../../groupBy'
import { UnreadableFile } from '../files/problem'
import type { Bundle, BundleRow } from './readBundle'
import { resultSaid } from './resultOfRow'
import { inPoints, scalesOfWork, type ScoreScale } from './scoreScales'

/**
 * What a OneRoster bundle says of each class, as the tables that gradebooks and class lists are taken in from: the
 * results, a row for each, and the students. Children are known by the identifier that the school gave them, else by
 * the bundle's own.
 * @throws UnreadableFile when no class in it has a student or a result
 */
export function bundleSheets({ rows }: Bundle): NamedTable[] {
  const by = (list: readonly BundleRow[]): Map<string, BundleRow> => new Map(list.map((row) => [row('sourcedId'), row]))
  const [users, lineItems, categories] = [by(rows.users), by(rows.lineItems), by(rows.categories)]
  const scales = scalesOfWork(rows)
  const results = groupBy(rows.results, (row) => lineItems.get(row('lineItemSourcedId'))?.('classSourcedId') ?? '')
  const places = groupBy(rows.enrollments, (row) => row('classSourcedId'))
  const sheets = rows.classes.flatMap((room) => {
    const [id, title] = [room('sourcedId'), room('title')]
    const given = (results.get(id) ?? []).map((row) => resultCells(row, { users, lineItems, categories, scales }))
    const pupils = (places.get(id) ?? []).filter((row) => row('role').toLowerCase() === 'student')
    const children = pupils.flatMap((row) => {
      const user = users.get(row('userSourcedId'))
      return user ? [studentCells(user, room('grades'))] : []
    })
    return [
      ...(given.length > 0 ? [sheet(`${title}: results`, resultHeadings, given)] : []),
      ...(children.length > 0 ? [sheet(`${title}: students`, studentHeadings, children)] : []),
    ]
  })
  if (sheets.length === 0) throw new UnreadableFile('No class in this OneRoster bundle has a student or a result.')
  return sheets
}

const studentHeadings = ['Number', 'Given name', 'Used name', 'Family name', 'Pronouns', 'Grade']
const resultHeadings = [
  'Number',
  'Given name',
  'Family name',
  'Work',
  'Category',
  'Date',
  'Out of',
  'Weight',
  'Into the mark',
  'Score',
  'Remark',
]

function sheet(name: string, heads: readonly string[], body: readonly (readonly string[])[]): NamedTable {
  const rows = [heads, ...body].map((cells, at) => ({ number: at + 1, cells }))
  return { sheet: name, table: { rows, delimiter: '' } }
}

function studentCells(user: BundleRow, gradesOfClass: string): string[] {
  const given = user('givenName')
  const preferred = user('preferredGivenName')
  const grade = (user('grades') || gradesOfClass).split(',')[0]?.replace(/^0+(?=\d)/, '') ?? ''
  const used = preferred === given ? '' : preferred
  return [numberOf(user), given, used, user('familyName'), user('pronouns'), grade]
}

function numberOf(user: BundleRow): string {
  return user('identifier') || user('sourcedId')
}

function resultCells(
  row: BundleRow,
  at: Readonly<Record<'users' | 'lineItems' | 'categories', ReadonlyMap<string, BundleRow>>> & {
    readonly scales: ReadonlyMap<string, ScoreScale>
  },
): string[] {
  const user = at.users.get(row('studentSourcedId'))
  const work = at.lineItems.get(row('lineItemSourcedId'))
  const category = categoryCell(at.categories.get(work?.('categorySourcedId') ?? ''))
  const who = user ? [numberOf(user), user('givenName'), user('familyName')] : [row('studentSourcedId'), '', '']
  const isDated = work?.('metadata.facunda.dated').toLowerCase() !== 'false'
  const day = isDated ? (work?.('dueDate') || work?.('assignDate') || '').slice(0, 10) : ''
  const outOf = Number(work?.('resultValueMax').replace(',', '.') ?? '') || 100
  const weight = work?.('metadata.facunda.weight') ?? ''
  const counts = work?.('metadata.facunda.counts').toLowerCase() === 'false' ? 'no' : ''
  return [
    ...[...who, work?.('title') ?? '', category, day, work?.('resultValueMax') ?? '', weight, counts],
    ...[scoreOf(row, at.scales.get(row('lineItemSourcedId')), outOf), row('comment')],
  ]
}

/** A category with its weight, where the bundle gives one above 0. */
function categoryCell(category: BundleRow | undefined): string {
  const name = category?.('title') ?? ''
  const weight = Number(category?.('weight').replace(',', '.') ?? '')
  return name !== '' && weight > 0 ? categoryWithWeight({ name, weight }) : name
}

/** A score as it can be typed: "17", "late 12", "missing", "excused". */
function scoreOf(row: BundleRow, scale: ScoreScale | undefined, outOf: number): string {
  const said = resultSaid({
    scoreStatus: row('scoreStatus'),
    score: row('score'),
    textScore: row('textScore'),
    incomplete: row('incomplete'),
    late: row('late'),
    missing: row('missing'),
  })
  if (said === null) return ''
  const written = inPoints(said.written, scale, outOf)
  return said.state === 'scored' ? written : `${said.state} ${written}`.trim()
}
