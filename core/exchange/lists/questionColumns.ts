import { describedBy, roleByHeading } from '../gradebook/gradebookWords'
import { readWorkHeading } from '../gradebook/readWorkHeading'
import { headingKey } from '../files/readRecords'
import type { Table, TableRow } from '../files/readTable'

/** A column of a paper's results that is one of its questions. */
export interface QuestionColumn {
  readonly at: number
  readonly number: number
  readonly words: string
  /** As the heading says it; null where it does not. */
  readonly outOf: number | null
}

const nameOfQuestion =
  /^(?:q(?:uestion)?|item|no\.?|nr\.?|aufgabe|frage|pregunta|domanda|vraag|esercizio)?[\s.]*(\d{1,3})\b[\s.:)–-]*/i
const longWords = {
  question: /^(question|item|aufgabe|frage|pregunta|domanda|vraag)(number|no|nr)?$/,
  words: /^(words|asked|questiontext|wording|what)$/,
  skill: /^(skill|standard|outcome|kompetenz|competence|competencia|vaardigheid)s?$/,
  work: /^(work|pieceofwork|paper|assignment|test|quiz)$/,
}

/** Where a table of a row per answer has what; -1 for a column that is not there. */
export interface LongColumns {
  readonly question: number
  readonly words: number
  readonly skill: number
  readonly work: number
  readonly score: number
  readonly outOf: number
}

/** The columns of a table with a row for each answer; null where it is none. */
export function longColumns(heading: TableRow): LongColumns | null {
  const by = (pattern: RegExp): number => heading.cells.findIndex((cell) => pattern.test(headingKey(cell)))
  const role = (wanted: string): number => heading.cells.findIndex((cell) => roleByHeading(cell) === wanted)
  const { question, words, skill, work } = longWords
  const found = {
    question: by(question),
    words: by(words),
    skill: by(skill),
    work: by(work),
    score: role('score'),
    outOf: role('out of'),
  }
  return found.question >= 0 && found.score >= 0 ? found : null
}

/**
 * The columns that are questions, in a table with a row for each child: by the number in the heading where every one
 * has another, else in their order. What adds others up is none.
 * @example questionColumns({ number: 1, cells: ['Name', 'Q1 (2)', 'Q2: Tens /3', 'Total'] })[1]
 * // { at: 2, number: 2, words: 'Tens', outOf: 3 }
 */
export function questionColumns({ cells }: TableRow): QuestionColumn[] {
  const read = cells.flatMap((cell, at) => {
    if (cell === '' || roleByHeading(cell) !== null || describedBy(cell) !== null) return []
    const { title, outOf } = readWorkHeading(cell)
    const numbered = nameOfQuestion.exec(title)
    return [{ at, said: Number(numbered?.[1] ?? 0), words: title.slice(numbered?.[0].length ?? 0).trim(), outOf }]
  })
  const said = new Set(read.map((each) => each.said))
  const isNumbered = said.size === read.length && !said.has(0)
  return read.map(({ said: number, ...each }, nth) => ({ ...each, number: isNumbered ? number : nth + 1 }))
}

/** What a row beside the children's says of each question: what it is out of, the skill it shows, what is asked. */
export type QuestionRow = 'out of' | 'skill' | 'words'

/** @example questionRow({ number: 2, cells: ['Standard', '', 's1'] }, 2) // 'skill' */
export function questionRow({ cells }: TableRow, firstQuestion: number): QuestionRow | null {
  const label = cells.slice(0, firstQuestion).find((cell) => cell !== '') ?? ''
  if (describedBy(label) === 'out of') return 'out of'
  const key = headingKey(label)
  if (longWords.skill.test(key)) return 'skill'
  return longWords.words.test(key) ? 'words' : null
}

/** The first row that says whose its rows are. */
export function questionHeading({ rows }: Pick<Table, 'rows'>): TableRow | undefined {
  const who = ['number', 'name', 'given name', 'family name']
  return rows.slice(0, 12).find(({ cells }) => cells.some((cell) => who.includes(roleByHeading(cell) ?? '')))
}
