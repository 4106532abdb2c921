import { takenBy, type Habit, type Skill, type Subject } from '../../school/schoolSetup'
import type { SubjectCategory } from '../../record/termRecord'
import { readGrades } from '../../people/gradeRange'
import type { FileRecord } from '../files/readRecords'
import { scaleProblems, type Level, type Scale } from '../../scales/scale'
import { habitFields, scaleFields, skillFields, subjectFields } from '../../school/setupFields'
import { tiers } from '../../scales/tier'
import { saysYes } from './recordColumns'
import type { FolderReader } from './folderReader'

const scaleKinds = ['mark', 'skill', 'habit'] as const

/** scales.csv: a row per level, best first. */
export function readScales(folder: FolderReader): Scale[] {
  const file = 'scales.csv'
  const scales = new Map<string, Scale>()
  for (const record of folder.records(file, [
    'scale',
    'kind',
    'scale name',
    'symbol',
    'name',
    'family sentence',
    'tier',
    'lowest percent',
  ])) {
    const key = record.get('scale')
    const kind = folder.oneOf(file, record, 'kind', scaleKinds)
    const tier = folder.oneOf(file, record, 'tier', tiers)
    if (!kind || !tier) continue
    const scale = scales.get(key) ?? { key, name: record.get('scale name'), kind, levels: [] }
    const level: Level = {
      symbol: record.get('symbol'),
      name: record.get('name'),
      familySentence: record.get('family sentence'),
      tier,
      lowestPercent: folder.numberOrNull(file, record, 'lowest percent'),
    }
    scales.set(key, { ...scale, levels: [...scale.levels, level] })
  }
  for (const scale of scales.values()) {
    for (const problem of scaleProblems(scale)) folder.report(file, null, null, problem)
    folder.fits(file, null, scale, scaleFields)
  }
  return [...scales.values()]
}

/** subjects.csv, in the order in which subjects stand on the report. */
export function readSubjects(folder: FolderReader, scales: readonly Scale[]): Subject[] {
  const file = 'subjects.csv'
  const keys = scales.map((scale) => scale.key)
  const rows = folder.records(file, ['key', 'name', 'teacher', 'mark scale', 'skill scale']).map((record) => ({
    row: record.row,
    key: record.get('key'),
    value: {
      key: record.get('key'),
      name: record.get('name'),
      inSentence: record.get('in a sentence') || record.get('name'),
      markScale: folder.oneOf(file, record, 'mark scale', keys) ?? '',
      skillScale: folder.oneOf(file, record, 'skill scale', keys) ?? '',
      ...scalesByGrade(folder, record, keys),
      ...(record.get('taken by') === '' ? {} : { takenBy: folder.oneOf(file, record, 'taken by', takenBy) ?? 'class' }),
    },
  }))
  return folder.unique(
    file,
    'key',
    rows,
    subjectFields.partial({ strandNames: true, markScaleByGrade: true, skillScaleByGrade: true }),
  )
}

/** Scales that are other ones in some grades; the columns may be left out. */
function scalesByGrade(
  folder: FolderReader,
  record: FileRecord,
  keys: readonly string[],
): Pick<Subject, 'markScaleByGrade' | 'skillScaleByGrade'> {
  const keyOf = (text: string): string | undefined => keys.find((key) => key === text)
  const marks = folder.byGrade('subjects.csv', record, 'mark scale by grade', keyOf)
  const skills = folder.byGrade('subjects.csv', record, 'skill scale by grade', keyOf)
  return { ...(marks && { markScaleByGrade: marks }), ...(skills && { skillScaleByGrade: skills }) }
}

/** skills.csv. */
export function readSkills(folder: FolderReader, subjects: readonly Subject[]): Skill[] {
  const file = 'skills.csv'
  const keys = subjects.map((subject) => subject.key)
  const rows = folder
    .records(file, ['id', 'subject', 'strand', 'statement', 'family words', 'teacher only'])
    .map((record) => ({
      row: record.row,
      key: record.get('id'),
      value: {
        id: record.get('id'),
        subject: folder.oneOf(file, record, 'subject', keys) ?? '',
        strand: record.get('strand'),
        statement: record.get('statement'),
        familyWords: record.get('family words') || record.get('statement'),
        inSentence: record.get('in a sentence'),
        does: record.get('does'),
        grades: gradesOf(folder, file, record),
        teacherOnly: saysYes(record.get('teacher only')),
      },
    }))
  return folder.unique(file, 'id', rows, skillFields)
}

/**
 * Subjects with what their strands are called now, where skills.csv says so; its column may be left out. A strand that
 * is called two things is reported.
 * @example a row 'sums,Number,Numbers' gives the subject sums { strandNames: { Number: 'Numbers' } }
 */
export function withStrandNames(folder: FolderReader, subjects: readonly Subject[]): Subject[] {
  const file = 'skills.csv'
  const names = new Map<string, Map<string, string>>()
  for (const record of folder.records(file, ['subject', 'strand'], 'may be absent')) {
    const [subject, strand, name] = [record.get('subject'), record.get('strand'), record.get('strand name')]
    if (name === '' || name === strand) continue
    const known = names.get(subject) ?? new Map<string, string>()
    const before = known.get(strand) ?? name
    names.set(subject, known.set(strand, before))
    if (before !== name)
      folder.report(file, record.row, 'strand name', `“${strand}” is called ${before} in a row before.`)
  }
  return subjects.map((subject) => {
    const own = names.get(subject.key)
    return own ? { ...subject, strandNames: Object.fromEntries(own) } : subject
  })
}

function gradesOf(folder: FolderReader, file: string, record: FileRecord): Skill['grades'] {
  const grades = readGrades(record.get('grades'))
  if (grades !== undefined) return grades
  folder.report(file, record.row, 'grades', `“${record.get('grades')}” is no range of grades, as in 4-6.`)
  return null
}

/** habits.csv. */
export function readHabits(folder: FolderReader, scales: readonly Scale[]): Habit[] {
  const file = 'habits.csv'
  const keys = scales.map((scale) => scale.key)
  const rows = folder.records(file, ['key', 'name', 'family words', 'scale']).map((record) => ({
    row: record.row,
    key: record.get('key'),
    value: {
      key: record.get('key'),
      name: record.get('name'),
      familyWords: record.get('family words'),
      scale: folder.oneOf(file, record, 'scale', keys) ?? '',
    },
  }))
  return folder.unique(file, 'key', rows, habitFields)
}

/**
 * The keys of what is used no more but has been rated or written in; the column may be left out.
 * @example retiredIn(folder, 'skills.csv', 'id') // Set { 's2' }, whose row says yes under retired
 */
export function retiredIn(folder: FolderReader, file: string, key: string): Set<string> {
  const rows = folder.records(file, [key], 'may be absent')
  return new Set(rows.filter((record) => saysYes(record.get('retired'))).map((record) => record.get(key)))
}

/** categories.csv. */
export function readCategories(folder: FolderReader, subjects: readonly Subject[]): SubjectCategory[] {
  const file = 'categories.csv'
  const keys = subjects.map((subject) => subject.key)
  return folder.records(file, ['subject', 'name', 'weight']).map((record) => ({
    subject: folder.oneOf(file, record, 'subject', keys) ?? '',
    key: record.get('name'),
    name: record.get('name'),
    weight: folder.numberOrNull(file, record, 'weight') ?? 0,
    isExam: saysYes(record.get('exam')),
  }))
}

/** Who teaches each subject, from the same file; by the subject's key. */
export function readTeachers(folder: FolderReader): Record<string, string> {
  const rows = folder.records('subjects.csv', ['key', 'teacher'])
  return Object.fromEntries(rows.map((record) => [record.get('key'), record.get('teacher')]))
}
