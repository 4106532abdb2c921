import type { SchoolSetup } from '../../school/schoolSetup'
import { readSpecial } from '../../scales/special'
import { readSymbol } from '../../scales/symbol'
import type { FolderRows } from './recordFiles'

/** A row that does not fit: the row itself, its column, and why. */
export interface InconsistentRow {
  readonly row: object
  readonly file: keyof FolderRows
  readonly column: string
  readonly reason: string
}

/**
 * What does not fit in a folder's rows though each cell can be read: days out of order, a mark that is none or two, a
 * symbol that is on no scale, a group that is taught something else, two accounts or pieces of work that would be one.
 * @example inconsistentRows({ …, marks: [{ …, percent: null, special: null }] }, setup)[0]?.column // 'mark'
 */
export function inconsistentRows(rows: FolderRows, { scales }: Pick<SchoolSetup, 'scales'>): InconsistentRow[] {
  const onScale = (kind: 'skill' | 'habit', symbol: string): boolean =>
    // A subject may have been on another scale when this was settled.
    scales.some((scale) => scale.kind === kind && readSymbol(scale, symbol) !== undefined)
  const groupOf = new Map(rows.classes.map(({ name, group }) => [name, group]))
  return [
    ...(['enrolments', 'teaching'] as const).flatMap((file) =>
      rows[file]
        .filter(({ from, to }) => from !== null && to !== null && from > to)
        .map((row) => ({ row, file, column: 'to', reason: 'The last day comes before the first.' })),
    ),
    ...rows.teaching
      .filter(({ room, subject }) => (groupOf.get(room) ?? subject) !== subject)
      .map((row) => ({
        row,
        file: 'teaching' as const,
        column: 'subject',
        reason: `“${row.room}” is a group of ${groupOf.get(row.room)}, and is taught nothing else.`,
      })),
    ...rows.marks.flatMap((row) => {
      if ((row.percent === null) === (row.special === null))
        return [{ row, file: 'marks' as const, column: 'mark', reason: 'There is a mark or something in its place.' }]
      return row.special === null || readSpecial(row.special) === row.special
        ? []
        : [{ row, file: 'marks' as const, column: 'in its place', reason: `“${row.special}” stands for no mark.` }]
    }),
    ...rows.levels
      .filter(({ symbol }) => !onScale('skill', symbol))
      .map((row) => ({ row, file: 'levels' as const, column: 'level', reason: `“${row.symbol}” is on no scale.` })),
    ...rows.habitScores
      .filter(({ symbol }) => !onScale('habit', symbol))
      .map((row) => ({
        row,
        file: 'habitScores' as const,
        column: 'score',
        reason: `“${row.symbol}” is on no scale.`,
      })),
    ...answersToNothing(rows),
    ...again(rows.people, ({ signIn }) => signIn).map((row) => ({
      row,
      file: 'people' as const,
      column: 'signs in as',
      reason: `Somebody before signs in as “${row.signIn}” too.`,
    })),
    ...again(rows.work, ({ room, term, subject, title }) => [room, term, subject, title].join('\u0000')).map((row) => ({
      row,
      file: 'work' as const,
      column: 'title',
      reason: `There is a piece of work “${row.title}” before, of the same class, term and subject.`,
    })),
  ]
}

/** Rows whose place one before has taken, small and large letters being one. */
function again<Row>(rows: readonly Row[], keyOf: (row: Row) => string): Row[] {
  const seen = new Set<string>()
  return rows.filter((row) => {
    const place = keyOf(row).toLocaleLowerCase('en')
    const stands = seen.has(place)
    seen.add(place)
    return stands
  })
}

/** Answers to questions that are not there, or with more than the question is out of. */
function answersToNothing({ questions, answers }: Pick<FolderRows, 'questions' | 'answers'>): InconsistentRow[] {
  const outOf = new Map(questions.map(({ work, number, outOf: most }) => [`${work} ${number}`, most]))
  return answers.flatMap((row): InconsistentRow[] => {
    const most = outOf.get(`${row.work} ${row.question}`)
    if (most === undefined)
      return [
        { row, file: 'answers', column: 'question', reason: `There is no question ${row.question} of this work.` },
      ]
    return row.score > most
      ? [{ row, file: 'answers', column: 'score', reason: `This question is out of ${most}.` }]
      : []
  })
}
