import { readFileSync } from 'node:fs'
import { decodeText } from '../../core/exchange/files/decodeText'
import { correctMapping, rowKinds, type Correction } from '../../core/exchange/gradebook/correctMapping'
import { columnRoles, signMeanings, type GradebookMapping } from '../../core/exchange/gradebook/gradebookMapping'
import { guessGradebook } from '../../core/exchange/gradebook/guessGradebook'
import { planImport, soleCandidates } from '../../core/exchange/gradebook/planImport'
import { signKey } from '../../core/exchange/gradebook/takeScore'
import { readTable, type Table } from '../../core/exchange/files/readTable'
import { turnedTable } from '../../core/exchange/files/turnedTable'
import type { ResultState } from '../../core/marks/work'
import { nameKey } from '../../core/people/names'

// Gradebook files of many makes, invented and written by hand, each with what it should bring. How a file is written
// down is told at the head of tests/makes/README.md.

export const students = [
  child('70101', 'Maya', 'Reed'),
  child('70102', 'Tomás', 'de la Cruz'),
  child('70103', 'Zoë', 'van der Meulen'),
  child('70104', 'Will', 'O’Hara'),
  child('70105', 'Priya', ''),
]

function child(schoolNumber: string, given: string, family: string) {
  return { id: schoolNumber, schoolNumber, legalGiven: given, usedName: given, family }
}

export interface Make {
  readonly name: string
  readonly bytes: Uint8Array
  /** What should come in, a line for each piece of work. */
  readonly expected: readonly string[]
}

/** The collections in the order in which the program met them. */
export const collections = [
  'seen',
  'unread',
  'unread2',
  'unread3',
  'unread4',
  'unread5',
  'unread6',
  'unread7',
  'unread8',
  'unread9',
  'unread10',
  'unread11',
  'unread12',
  'unread13',
  'unread14',
  'unread15',
  'unread16',
  'unread17',
] as const

/** The files of one collection. */
export function makesIn(collection: (typeof collections)[number]): Make[] {
  const text = readFileSync(new URL(`./${collection}.txt`, import.meta.url), 'utf8')
  return text
    .split(/^=== /m)
    .slice(1)
    .map((block) => {
      const [head = '', ...lines] = block.split('\n')
      const [, name = head, kind = ''] = /^(.*?)(?: \[(.+)\])?$/.exec(head) ?? []
      const end = lines.indexOf('--- expected')
      const content = lines.slice(0, end).join('\n') + '\n'
      return { name, bytes: bytesOf(content, kind), expected: lines.slice(end + 1).filter((line) => line !== '') }
    })
}

function bytesOf(content: string, kind: string): Uint8Array {
  if (kind === 'utf-16le') return Buffer.from(`\uFEFF${content}`, 'utf16le')
  if (kind === 'utf-8-bom') return Buffer.from(`\uFEFF${content}`)
  if (kind === 'windows-1252') return Buffer.from(content, 'latin1')
  return Buffer.from(kind === 'cr' ? content.replaceAll('\n', '\r') : content)
}

/** How a file comes in: as it is, after one correction of its columns, or not at all, with what came instead. */
export function howItComesIn({ bytes, expected }: Make): { how: 'at once' | 'corrected' | 'not'; came: string[] } {
  const table = turnedTable(readTable(decodeText(bytes)), students)
  const guess = guessGradebook(table, [], { children: students })
  const came = brought(table, guess, expected)
  if (isAsExpected(came, expected)) return { how: 'at once', came }
  const corrected = corrections(table, guess).some((mapping) =>
    isAsExpected(brought(table, mapping, expected), expected),
  )
  return { how: corrected ? 'corrected' : 'not', came }
}

function isAsExpected(came: readonly string[], expected: readonly string[]): boolean {
  return came.length === expected.length && expected.every((line) => came.includes(line))
}

/** Every mapping that a teacher can make of another in one step, on the page where a file is looked at. */
function corrections(table: Table, guess: GradebookMapping): GradebookMapping[] {
  const { signs, doubtful } = planImport(table, guess, nothingYet)
  const shown = new Set([...table.rows.slice(0, 12), ...table.rows.slice(-3)].map(({ number }) => number))
  const said: Correction[] = [
    ...guess.columns.flatMap((_, column) => columnRoles.map((role) => ({ column, role }))),
    ...[...shown].flatMap((row) => rowKinds.map((is) => ({ row, is }))),
  ]
  return [
    ...said.map((correction) => correctMapping(table, guess, correction, students)),
    ...signs.flatMap(({ written }) =>
      signMeanings.map((meaning) => ({ ...guess, signs: { [signKey(written)]: meaning } })),
    ),
    { ...guess, signs: Object.fromEntries(signs.map(({ written }) => [signKey(written), 'nothing' as const])) },
    { ...guess, people: soleCandidates(doubtful) },
    { ...guess, dates: guess.dates === 'day first' ? 'month first' : 'day first' },
  ]
}

const nothingYet = { students, work: [], results: [], categories: [] }
const letters: Record<ResultState, string> = { scored: '', missing: 'm', late: 'l', excused: 'e', incomplete: 'i' }

/** What a file would bring, in the words of the collection; the category only where the collection tells one. */
function brought(table: Table, mapping: GradebookMapping, expected: readonly string[]): string[] {
  const plan = planImport(table, mapping, nothingYet)
  return plan.work.map(({ work }) => {
    const cells = students.map(({ id }) => {
      const found = plan.results.find((each) => each.studentId === id && nameKey(each.title) === nameKey(work.title))
      return found ? `${letters[found.state]}${found.score ?? ''}` : '-'
    })
    const told = expected
      .find((line) => line.startsWith(`${work.title}|`))
      ?.split(/\||=/)[3]
      ?.trim()
    const category = told === '' ? '' : work.category
    return `${work.title}|${work.outOf}|${work.date ?? ''}|${category} = ${cells.join(' ')}`
  })
}
