export type Value = string | number | boolean | null | object
export type Row = Record<string, Value>

interface TableRule {
  /** The columns that tell rows apart. */
  key: readonly string[]
  /** The columns that a person would see changed; all but the key where none are named. */
  seenIn?: readonly string[]
  /** True where the row counts its versions, from one sequence, so that a version never comes again. */
  versioned?: boolean
  /** Columns that are no part of what people change and see: never compared, never kept in an event. */
  hidden?: readonly string[]
  /** Whether the row is part of a year's set-up, which browsers and servers keep by its version. */
  setup?: boolean
  /** Whether many people change such rows at the same time, a few each: their changes share transactions. */
  often?: boolean
}

/** The tables whose rows people change. A table stands after those it rests on. */
export const changeableTables = {
  retention_rule: { key: ['only_one'] },
  person: { key: ['id'], hidden: ['password_hash', 'session_epoch'] },
  person_setting: { key: ['person_id'] },
  term: { key: ['id'] },
  class_room: { key: ['id'] },
  reopening: { key: ['id'] },
  sign_off: { key: ['class_id', 'term_id', 'subject'] },
  teaching: { key: ['id'] },
  student: { key: ['id'] },
  enrolment: { key: ['class_id', 'student_id'] },
  contact: { key: ['id'] },
  photo: { key: ['student_id'] },
  scale: { key: ['year_id', 'key'], setup: true },
  subject: { key: ['year_id', 'key'], setup: true },
  skill: { key: ['year_id', 'id'], setup: true },
  habit: { key: ['year_id', 'key'], setup: true },
  subject_choice: { key: ['student_id', 'year_id', 'subject'] },
  category: { key: ['class_id', 'subject', 'key'] },
  work: { key: ['id'] },
  result: { key: ['work_id', 'student_id'] },
  question: { key: ['work_id', 'number'] },
  answer: { key: ['work_id', 'number', 'student_id'] },
  practice: { key: ['student_id', 'term_id', 'program', 'kind', 'name'] },
  register_day: { key: ['student_id', 'day'] },
  observation: { key: ['id'] },
  attendance: { key: ['student_id', 'term_id'] },
  settled_mark: { key: ['student_id', 'subject', 'term_id'], often: true },
  settled_level: { key: ['student_id', 'kind', 'about', 'term_id'], often: true },
  comment: { key: ['student_id', 'box', 'term_id'], seenIn: ['text', 'own_words', 'status'], versioned: true },
  accepted_finding: { key: ['student_id', 'box', 'term_id', 'check_name', 'words'], seenIn: [] },
  phrase: { key: ['year_id', 'id'], setup: true },
  describing_words: { key: ['year_id', 'tier'], setup: true },
  comment_box: { key: ['year_id', 'key'], setup: true },
  school: { key: ['year_id'], setup: true },
  layout: { key: ['year_id', 'key'], setup: true },
} as const satisfies Record<string, TableRule>

export type ChangeableTable = keyof typeof changeableTables

export const tableNames = Object.keys(changeableTables) as ChangeableTable[]

/** What the tables' rules are, by name. */
export function ruleOf(table: ChangeableTable): TableRule {
  return changeableTables[table]
}

/** One row as it shall be, and what its writer saw of it. */
export interface Change {
  table: ChangeableTable
  key: Row
  /**
   * What stood there when the writer decided: null for no row, else the columns that the writer looked at (all of
   * them, or the version alone).
   */
  seen: Row | null
  /** All columns but the key; null for a row that shall go. */
  after: Row | null
}

/** A row as it stands, apart from its key. */
export interface StoredRow {
  row: Row
  /** Null for a table without versions. */
  version: number | null
  /** The event that wrote it last, where the table keeps that. */
  writtenIn: number | null
}

/** A row's table and key in one word. */
export function rowKey({ table, key }: Pick<Change, 'table' | 'key'>): string {
  return `${table} ${JSON.stringify(ruleOf(table).key.map((column) => key[column]))}`
}

export function keyValues({ table, key }: Pick<Change, 'table' | 'key'>): Value[] {
  return ruleOf(table).key.map((column) => key[column] ?? null)
}
