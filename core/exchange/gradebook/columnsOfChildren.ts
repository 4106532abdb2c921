import { groupBy } from '../../groupBy'
import type { Matchable } from '../../people/matchStudent'
import { nameKey } from '../../people/names'
import { letterSpellings, lettersOf, nameParts } from '../../people/nearNames'
import type { ColumnRole } from './gradebookMapping'
import { isSummary } from './gradebookWords'
import type { Table } from '../files/readTable'

/** Which columns hold the children of the class, and the first row that is one of theirs. */
export interface ChildColumns {
  readonly roles: ReadonlyMap<number, ColumnRole>
  readonly firstRow: number
}

/** So much of what stands in a column must be the class's own, for the column to be told by it. */
const enough = 0.6

/**
 * Finds the columns of numbers and names by the class's own children, whatever the headings say and in whatever
 * language; null where too few of them are found.
 * @example columnsOfChildren(table with 'Nazwisko' and 'Imię', students)?.roles
 * // 1 → 'family name', 2 → 'given name'
 */
export function columnsOfChildren(table: Table, children: readonly Matchable[]): ChildColumns | null {
  const ways = waysOf(children)
  const width = table.rows.reduce((most, { cells }) => Math.max(most, cells.length), 0)
  const found = new Map<ColumnRole, { at: number; share: number; firstRow: number }>()
  for (let at = 0; at < width; at += 1) {
    for (const [role, known] of ways) {
      const { share, firstRow } = shareOf(table, at, known)
      if (share >= enough && share > (found.get(role)?.share ?? 0)) found.set(role, { at, share, firstRow })
    }
  }
  // A whole name says more than a half of it, and one half alone says too little.
  if (found.has('name')) for (const half of ['given name', 'family name'] as const) found.delete(half)
  if (!found.has('name') && !found.has('number') && found.size < 2) return null
  const columns = new Map([...found].map(([role, { at }]) => [at, role]))
  return { roles: columns, firstRow: Math.min(...[...found.values()].map(({ firstRow }) => firstRow)) }
}

type Known = (cell: string) => boolean

function waysOf(children: readonly Matchable[]): [ColumnRole, Known][] {
  const among = (texts: readonly string[]): ((text: string) => boolean) => {
    const all = new Set(texts.map(nameKey).filter((text) => text !== ''))
    return (text) => all.has(nameKey(text))
  }
  const numbers = among(children.map(({ schoolNumber }) => bare(schoolNumber)).filter(isNoScore))
  const givens = among(children.flatMap(({ legalGiven, usedName }) => [legalGiven, usedName]))
  const families = among(children.map(({ family }) => family))
  const parted = children.flatMap(({ legalGiven, usedName, family }) =>
    family === '' ? [] : [legalGiven, usedName].map((given) => nameParts(`${given} ${family}`)),
  )
  const byWord = groupBy(parted, ([first = '']) => first)
  // "Maya Reed / A" is whose it is, too.
  const holdsWhole = (cell: string): boolean => {
    if (!/\p{L}[^\p{L}]+\p{L}/u.test(cell)) return false
    const words = nameParts(cell)
    return words.some((first) => byWord.get(first)?.some((own) => own.every((word) => words.includes(word))) ?? false)
  }
  const wholes = new Set(children.flatMap(letterSpellings).filter((letters) => letters !== ''))
  return [
    ['number', remembered((cell) => numbers(bare(cell)))],
    ['name', remembered((cell) => wholes.has(lettersOf(cell)) || holdsWhole(cell))],
    ['family name', remembered(families)],
    ['given name', remembered(givens)],
  ]
}

/** The same is written in many rows. */
function remembered(known: Known): Known {
  const told = new Map<string, boolean>()
  return (cell) => {
    const is = told.get(cell) ?? known(cell)
    told.set(cell, is)
    return is
  }
}

/** A number of one or two signs could as well be what somebody scored. */
function isNoScore(number: string): boolean {
  return number.length > 2
}

/** Spreadsheets drop the zeros in front. */
function bare(number: string): string {
  return number.trim().replace(/^0+(?=.)/, '')
}

function shareOf(table: Table, at: number, known: Known): { share: number; firstRow: number } {
  let [ours, of, firstRow] = [0, 0, 0]
  for (const { number, cells } of table.rows) {
    const cell = cells[at] ?? ''
    if (known(cell)) {
      ours += 1
      firstRow ||= number
    }
    // What stands above the first child is no child, nor is an average below.
    if (firstRow > 0 && cell !== '' && !isSummary(cell)) of += 1
  }
  return { share: ours >= 2 ? ours / of : 0, firstRow }
}
