import { studentMatcher, type Matchable } from '../../people/matchStudent'
import { childRows, identifying, type GradebookMapping } from './gradebookMapping'
import { roleByHeading } from './gradebookWords'
import { areCounts } from './guessColumn'
import { areCounted, numberIn } from './plainCells'
import { identityOf } from './rowIdentity'
import type { Table, TableRow } from '../files/readTable'

/**
 * Why a table as mapped cannot be a gradebook at all, with what to do about it; null when it can be read.
 * @example tableProblem(readTable('Number,Quiz'), mapping, students) // 'The file has headings and no row of results
 * below …'
 */
export function tableProblem(table: Table, mapping: GradebookMapping, students: readonly Matchable[]): string | null {
  const heading = table.rows.find((row) => row.number === mapping.headingRow)
  if (!heading) return `There is no row ${mapping.headingRow} to take the headings from. Correct the heading row.`
  if (childRows(table, mapping).length === 0) {
    return 'The file has headings and no row of results below them. Was it saved before the scores were in?'
  }
  if (isTransposed(heading.cells, students)) {
    return (
      'Here the students stand side by side and the work below each other. ' +
      'Turn the table in a spreadsheet (paste it transposed), save it as CSV and choose that file.'
    )
  }
  if (isOfChild(heading, mapping, students)) {
    return (
      'The file has no row of headings: the first row is a child’s already. ' +
      'Put a row above it that says what each column is, and choose the file again.'
    )
  }
  if (!mapping.columns.some((role) => identifying.has(role))) {
    return (
      'No column says whose the results are. Choose the column with the school number or the name above it; ' +
      'if the file has no row of headings, put one in first.'
    )
  }
  if (!mapping.columns.includes('score')) {
    return 'No column holds scores. Choose above a column that it does, or take the file with the scores in it.'
  }
  return null
}

function isOfChild(heading: TableRow, { columns }: GradebookMapping, students: readonly Matchable[]): boolean {
  const who = identityOf(heading, columns)
  const called = [who.number, who.name, who.given, who.family].filter((each) => each && roleByHeading(each) === null)
  return called.length > 0 && studentMatcher(students)(who).kind === 'found'
}

function isTransposed(headings: readonly string[], students: readonly Matchable[]): boolean {
  const match = studentMatcher(students)
  const named = headings.filter((cell) => cell !== '' && match({ name: cell, number: cell }).kind === 'found')
  return named.length >= 2 && named.length >= headings.filter((cell) => cell !== '').length / 2
}

/** A level written as a letter, as in "B+". */
const letter = /^[A-F][+-]?$/i

/**
 * What is left out of a wide file though it has a heading and something below it, and what to do if that is wrong.
 * @example columnNotes(table, mapping) // ['“Project” holds letters and was left out: …']
 */
export function columnNotes(table: Table, mapping: GradebookMapping): string[] {
  const heading = table.rows.find((row) => row.number === mapping.headingRow)
  const body = childRows(table, mapping)
  if (!heading || mapping.shape === 'long') return []
  const figures: string[] = []
  const notes = mapping.columns.flatMap((role, index) => {
    const cells = body.map((row) => row.cells[index] ?? '').filter((cell) => cell !== '')
    const title = heading.cells[index] ?? ''
    if (role !== 'ignore' || cells.length === 0) return []
    if (title === '') return [`Column ${index + 1} has no heading and was left out.`]
    if (areCounts(title, cells)) {
      return [
        `“${title}” is mostly above 100, with no maximum told, and was left out: add one to it (“${title} /300”).`,
      ]
    }
    if (holdsFigures(cells)) figures.push(`“${title}”`)
    if (cells.filter((cell) => letter.test(cell)).length < cells.length / 2) return []
    return [`“${title}” holds letters and was left out: results are numbers here, a letter is settled in Settle.`]
  })
  if (figures.length === 0) return notes
  const which = figures.length === 1 ? 'it is' : 'one of them is'
  return [
    ...notes,
    `Left out, though there are figures in it: ${figures.join(', ')}. If ${which} work, choose Score above it.`,
  ]
}

/** What could be results by its cells, other than a count of the rows. */
function holdsFigures(cells: readonly string[]): boolean {
  return !areCounted(cells) && cells.filter((cell) => numberIn(cell) !== null).length > cells.length / 2
}
