import type { DescribingWords, Phrasebook } from '../../narrative/phrase'
import { planProblems } from '../../record/planProblems'
import { readPlan, type CommentBox } from '../../narrative/plan'
import type { Retired } from '../../school/keptSetup'
import { boxFields } from '../../school/setupFields'
import type { SchoolSetup, Subject } from '../../school/schoolSetup'
import { tiers } from '../../scales/tier'
import { phraseColumns, readPhraseRow } from './phrasebookFile'
import type { FileRecord } from '../files/readRecords'
import type { FolderReader } from './folderReader'

/** phrasebook.csv and describing-words.csv. A phrase in a wrong notation is reported with its place. */
export function readPhrasebook(folder: FolderReader, subjects: readonly Subject[]): Phrasebook {
  const file = 'phrasebook.csv'
  const subjectWords = ['any', 'general', ...subjects.map((subject) => subject.key)]
  const rows = folder.records(file, phraseColumns).flatMap((record) => {
    const { phrase, problems } = readPhraseRow(record, subjectWords)
    for (const { column, reason } of problems) folder.report(file, record.row, column, reason)
    return phrase ? [{ row: record.row, key: phrase.id, value: phrase }] : []
  })
  return { phrases: folder.unique(file, 'id', rows), describing: readDescribingWords(folder) }
}

function readDescribingWords(folder: FolderReader): DescribingWords {
  const file = 'describing-words.csv'
  const words: DescribingWords = { starting: [], growing: [], sound: [], strong: [], top: [] }
  for (const record of folder.records(file, ['level', 'word'], 'may be absent')) {
    const tier = folder.oneOf(file, record, 'level', tiers)
    if (tier) words[tier].push(record.get('word'))
  }
  return words
}

/** boxes.csv: the comment boxes with their plans. A plan that names a missing strand or habit is reported. */
export function readBoxes(
  folder: FolderReader,
  { subjects, skills, habits }: Pick<SchoolSetup, 'subjects' | 'skills' | 'habits'>,
  retired: Retired,
): CommentBox[] {
  const file = 'boxes.csv'
  const rows = folder.records(file, ['key', 'name', 'subject', 'limit', 'plan']).flatMap((record) => {
    const subject =
      record.get('subject') === ''
        ? null
        : folder.oneOf(
            file,
            record,
            'subject',
            subjects.map((each) => each.key),
          )
    const limit = folder.numberOrNull(file, record, 'limit') ?? 0
    if (subject === undefined) return []
    const limitByGrade = folder.byGrade(file, record, 'limit by grade', (text) =>
      Number(text) >= 1 ? Number(text) : undefined,
    )
    const box = {
      key: record.get('key'),
      name: record.get('name'),
      subject,
      limit,
      ...(limitByGrade && { limitByGrade }),
      tone: record.get('tone'),
      plan: planOf(folder, file, record),
    }
    const problems = retired.boxes.has(box.key) ? [] : planProblems(box, skills, habits)
    for (const problem of problems) folder.report(file, record.row, 'plan', problem)
    return [{ row: record.row, key: box.key, value: box }]
  })
  return folder.unique(file, 'key', rows, boxFields.partial({ limitByGrade: true }))
}

function planOf(folder: FolderReader, file: string, record: FileRecord): CommentBox['plan'] {
  try {
    return readPlan(record.get('plan'))
  } catch (error) {
    folder.report(file, record.row, 'plan', error instanceof Error ? error.message : String(error))
    return []
  }
}
