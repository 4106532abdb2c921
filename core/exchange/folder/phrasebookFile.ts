import { NotationError } from '../../narrative/notation'
import { claimKinds, moves, partKinds, type Phrase, type Phrasebook } from '../../narrative/phrase'
import { readGrades, writeGrades } from '../../people/gradeRange'
import { readyPhrase } from '../../narrative/readyPhrase'
import { tiers } from '../../scales/tier'
import type { FileRecord } from '../files/readRecords'
import { writeCsv } from '../files/writeCsv'

/** The columns without which a file is no phrasebook. */
export const phraseColumns = ['id', 'subject', 'part', 'about', 'levels', 'text'] as const

/** What is wrong in one cell of a row. */
export interface CellProblem {
  readonly column: string
  readonly reason: string
}

/**
 * One row of a phrasebook file as a phrase, or everything that is wrong with it.
 * @param subjects the keys that a phrase may be for, "general" and "any" among them
 * @example
 * readPhraseRow(row of 'm-open-1,mathematics,opening,any,strong,"{Name} {has} settled."', ['mathematics'])
 * // { phrase: { id: 'm-open-1', part: 'opening', … }, problems: [] }
 */
export function readPhraseRow(
  record: FileRecord,
  subjects: readonly string[],
): { phrase: Phrase | null; problems: CellProblem[] } {
  const problems: CellProblem[] = []
  const report = (column: string, reason: string): undefined => void problems.push({ column, reason })
  const oneOf = <T extends string>(column: string, words: readonly T[]): T | undefined =>
    words.find((word) => word.toLocaleLowerCase('en') === record.get(column).toLocaleLowerCase('en')) ??
    report(column, `“${record.get(column)}” is none of: ${words.join(', ')}.`)
  const part = oneOf('part', partKinds)
  const subject = oneOf('subject', subjects)
  const levels =
    readLevelWords(record.get('levels')) ??
    report('levels', `“${record.get('levels')}” holds a word that is none of: ${levelWords.join(', ')}.`)
  const grades = readGrades(record.get('grades'))
  const claims = record.get('claims') === '' ? null : oneOf('claims', claimKinds)
  if (grades === undefined) report('grades', `“${record.get('grades')}” is no range of grades, as in 4-6.`)
  if (record.get('id') === '') report('id', 'A phrase needs an id of its own.')
  if (!part || !subject || !levels || grades === undefined || claims === undefined || problems.length > 0)
    return { phrase: null, problems }
  const phrase: Phrase = {
    id: record.get('id'),
    subject,
    part,
    about: record.get('about') || 'any',
    ...levels,
    text: record.get('text'),
    claims,
    tone: record.get('tone'),
    grades,
    owner: null,
  }
  const wrong = phraseProblem(phrase)
  return wrong ? { phrase: null, problems: [{ column: 'text', reason: wrong }] } : { phrase, problems }
}

/**
 * What is wrong with a phrase, in a sentence; null when it can be said.
 * @example phraseProblem({ …, text: '{They} {reads} {#skil}.' }) // what is wrong, with its place; null for a sound
 * phrase
 */
export function phraseProblem(phrase: Phrase): string | null {
  if (phrase.text.trim() === '') return 'A phrase needs words.'
  if (phrase.uneven && phrase.part !== 'outcome') return 'Only an outcome can be uneven.'
  try {
    readyPhrase(phrase)
    return null
  } catch (error) {
    if (!(error instanceof NotationError)) throw error
    return error.message
  }
}

/** What the levels of a phrase are written with. */
const levelWords: readonly string[] = [...tiers, 'uneven', ...moves]

function readLevelWords(written: string): Pick<Phrase, 'tiers' | 'uneven' | 'moves'> | undefined {
  const words = written
    .toLocaleLowerCase('en')
    .split(/[\s,]+/)
    .filter(Boolean)
  const read = {
    tiers: tiers.filter((tier) => words.includes(tier)),
    uneven: words.includes('uneven'),
    moves: moves.filter((move) => words.includes(move)),
  }
  return words.every((word) => levelWords.includes(word)) ? read : undefined
}

/** A phrasebook as a file that readPhraseRow reads back: the same phrases in the same order. */
export function writePhrasebook(phrasebook: Pick<Phrasebook, 'phrases'>): string {
  return writeCsv(phraseTable(phrasebook.phrases))
}

/**
 * The cells of a phrasebook file, its headings first.
 * @example phraseTable([])[0] // ['id', 'subject', 'part', 'about', 'levels', 'text', 'tone', 'grades', 'claims']
 */
export function phraseTable(phrases: readonly Phrase[]): string[][] {
  const rows = phrases.map((phrase) => [
    phrase.id,
    phrase.subject,
    phrase.part,
    phrase.about,
    [...phrase.tiers, ...(phrase.uneven ? ['uneven'] : []), ...phrase.moves].join(' '),
    phrase.text,
    phrase.tone,
    writeGrades(phrase.grades),
    phrase.claims ?? '',
  ])
  return [[...phraseColumns, 'tone', 'grades', 'claims'], ...rows]
}
