import { NotationError } from '../../narrative/notation'
import { partKinds, readyPhrase, type DescribingWords, type Phrase, type Phrasebook } from '../../narrative/phrase'
import { readPlan, type CommentBox } from '../../narrative/plan'
import type { Habit, Skill, Subject } from '../../record/classRecord'
import { tiers, type Tier } from '../../scales/tier'
import type { FileRecord } from '../readRecords'
import type { FolderReader } from './folderReader'

/** phrasebook.csv and describing-words.csv. A phrase in a wrong notation is reported with its place. */
export function readPhrasebook(folder: FolderReader, subjects: readonly Subject[]): Phrasebook {
  const file = 'phrasebook.csv'
  const subjectWords = ['any', 'general', ...subjects.map((subject) => subject.key)]
  const rows = folder.records(file, ['id', 'subject', 'part', 'about', 'levels', 'text']).flatMap((record) => {
    const part = folder.oneOf(file, record, 'part', partKinds)
    const subject = folder.oneOf(file, record, 'subject', subjectWords)
    const levels = readTiers(folder, file, record)
    if (!part || !subject || !levels) return []
    const phrase: Phrase = { id: record.get('id'), subject, part, about: record.get('about') || 'any', tiers: levels, text: record.get('text') }
    return isReadable(folder, file, record, phrase) ? [{ row: record.row, key: phrase.id, value: phrase }] : []
  })
  return { phrases: folder.unique(file, 'id', rows), describing: readDescribingWords(folder) }
}

function readTiers(folder: FolderReader, file: string, record: FileRecord): Tier[] | undefined {
  const words = record.get('levels').split(/[\s,]+/).filter(Boolean)
  const levels = words.flatMap((word) => tiers.find((tier) => tier === word) ?? [])
  if (levels.length === words.length) return levels
  folder.report(file, record.row, 'levels', `“${record.get('levels')}” holds a word that is none of: ${tiers.join(', ')}.`)
  return undefined
}

function isReadable(folder: FolderReader, file: string, record: FileRecord, phrase: Phrase): boolean {
  try {
    return readyPhrase(phrase).tokens.length > 0
  } catch (error) {
    if (!(error instanceof NotationError)) throw error
    folder.report(file, record.row, 'text', error.message)
    return false
  }
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
export function readBoxes(folder: FolderReader, subjects: readonly Subject[], skills: readonly Skill[], habits: readonly Habit[]): CommentBox[] {
  const file = 'boxes.csv'
  const rows = folder.records(file, ['key', 'name', 'subject', 'limit', 'plan']).flatMap((record) => {
    const subject = record.get('subject') === '' ? null : folder.oneOf(file, record, 'subject', subjects.map((each) => each.key))
    const limit = folder.numberOrNull(file, record, 'limit') ?? 0
    if (limit < 1) folder.report(file, record.row, 'limit', 'A box needs room for at least one character.')
    if (subject === undefined) return []
    const box = { key: record.get('key'), name: record.get('name'), subject, limit, plan: planOf(folder, file, record) }
    reportMissingParts(folder, file, record, box, skills, habits)
    return [{ row: record.row, key: box.key, value: box }]
  })
  return folder.unique(file, 'key', rows)
}

function planOf(folder: FolderReader, file: string, record: FileRecord): CommentBox['plan'] {
  try {
    return readPlan(record.get('plan'))
  } catch (error) {
    folder.report(file, record.row, 'plan', error instanceof Error ? error.message : String(error))
    return []
  }
}

function reportMissingParts(folder: FolderReader, file: string, record: FileRecord, box: CommentBox, skills: readonly Skill[], habits: readonly Habit[]): void {
  const strands = new Set(['mark', ...skills.filter((skill) => skill.subject === box.subject).map((skill) => skill.strand)])
  const habitNames = new Set(habits.map((habit) => habit.name))
  for (const { part, about } of box.plan) {
    if (part === 'outcome' && !strands.has(about)) folder.report(file, record.row, 'plan', `There is no strand “${about}” in this subject.`)
    if (part === 'habit' && !habitNames.has(about)) folder.report(file, record.row, 'plan', `There is no habit “${about}”.`)
  }
}
