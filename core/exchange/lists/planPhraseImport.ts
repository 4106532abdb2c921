import type { Phrase } from '../../narrative/phrase'
import { writePhrasebook, phraseColumns, readPhraseRow } from '../folder/phrasebookFile'
import { readRecords } from '../files/readRecords'
import { readTable } from '../files/readTable'

/** What a phrasebook file would change, row by row, before anything is changed. */
export interface PhraseImport {
  added: Phrase[]
  changed: { phrase: Phrase; before: Phrase }[]
  unchanged: number
  /** Rows that do not come in, each with the reason. */
  doubtful: { row: number; reason: string }[]
}

/**
 * Compares a phrasebook file with the phrases that stand. A wrong row never hides a good one; a file without the
 * needed columns gives its problems and nothing else.
 * @param subjects the keys that a phrase may be for, "general" and "any" among them
 * @param owner whose phrases they become: null for the school's
 */
export function planPhraseImport(
  text: string,
  standing: readonly Phrase[],
  subjects: readonly string[],
  owner: string | null,
): PhraseImport {
  const { records, problems } = readRecords('phrasebook', readTable(text), phraseColumns)
  const plan: PhraseImport = {
    added: [],
    changed: [],
    unchanged: 0,
    doubtful: problems.map((problem) => ({ row: problem.row ?? 1, reason: problem.reason })),
  }
  const known = new Map(standing.map((phrase) => [phrase.id, phrase]))
  const seen = new Set<string>()
  for (const record of records) {
    const read = readPhraseRow(record, subjects)
    const doubt = (reason: string): unknown => plan.doubtful.push({ row: record.row, reason })
    if (!read.phrase) {
      doubt(read.problems.map((problem) => `${problem.column}: ${problem.reason}`).join(' '))
      continue
    }
    const phrase = { ...read.phrase, owner }
    const before = known.get(phrase.id)
    if (seen.has(phrase.id)) doubt(`The id “${phrase.id}” stands in the file twice.`)
    else if (before && before.owner !== owner)
      doubt(
        `The id “${phrase.id}” belongs to ${before.owner === null ? 'a phrase of the school’s' : 'a phrase of your own'}.`,
      )
    else if (!before) plan.added.push(phrase)
    else if (isSame(before, phrase)) plan.unchanged += 1
    else plan.changed.push({ phrase, before })
    seen.add(phrase.id)
  }
  return plan
}

function isSame(a: Phrase, b: Phrase): boolean {
  return writePhrasebook({ phrases: [a] }) === writePhrasebook({ phrases: [b] })
}
