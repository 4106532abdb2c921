import type { Knex } from 'knex'
import type { OwnSettings } from '../../contracts/ownSettings'
import type { GradebookMapping } from '../../core/exchange/gradebook/gradebookMapping'
import type { ByGrade } from '../../core/people/byGrade'
import type { ReportDocument } from '../../core/reports/document'
import type { Layout } from '../../core/school/layout'
import type { School, TakenBy } from '../../core/school/schoolSetup'
import type { NoteKind } from '../../core/record/observations'
import type { PracticeKind } from '../../core/record/practice'
import type { Presence } from '../../core/record/register'
import type { Phrase } from '../../core/narrative/phrase'
import type { Scale } from '../../core/scales/scale'
import type { RecordedChange } from './changes/keptEvents'

// Every table's rows, typed once. Dates are ISO text; jsonb goes in as text and comes out as what it holds.

export interface PersonRow {
  id: string
  sign_in: string
  /** Null for somebody who has not chosen a password yet. */
  password_hash: string | null
  given_name: string
  family_name: string
  role: 'teacher' | 'coordinator'
  /** The grades that a coordinator coordinates; null for all. */
  grade_from: number | null
  grade_to: number | null
  /** Counts up when all of a person's sessions shall end. */
  session_epoch: number
  switched_off: boolean
}

interface TeachingRow {
  id: string
  person_id: string
  class_id: string
  /** Null for the home class. */
  subject: string | null
  second_reader: boolean
  from_day: string | null
  to_day: string | null
}

interface TermRow {
  id: string
  name: string
  year_id: string
  starts: string
  ends: string
  progress_due: string | null
  comments_due: string
  locks: string
}

interface ReopeningRow {
  id: string
  term_id: string
  /** Null for every class. */
  class_id: string | null
  /** Null for all of the class. */
  subject: string | null
  from_day: string
  to_day: string
  reason: string
  made_by: string
}

export interface EventRow {
  id: number
  at: Date
  last_at: Date
  person_id: string
  class_id: string | null
  term_id: string | null
  kind: string
  needs: string[] | null
  changes: RecordedChange[]
  undoes: number | null
  undone_by: number | null
}

export interface FileRow {
  id: string
  person_id: string
  class_id: string
  term_id: string
  subject: string
  name: string
  bytes: Buffer
  brought_at: Date
  event_id: number | null
}

export interface RunRow {
  id: string
  class_id: string
  term_id: string
  person_id: string
  state: 'waiting' | 'setting' | 'finished' | 'stopped' | 'failed'
  student_ids: string[]
  done: number
  pages: Record<string, number> | null
  message: string | null
  asked_at: Date
  finished_at: Date | null
  heartbeat: Date | null
  /** What a blank table is called; null for reports. */
  title: string | null
}

export type PhraseRow = Omit<Phrase, 'grades'> & {
  year_id: string
  grade_from: number | null
  grade_to: number | null
  position: number
}

export interface StudentRow {
  id: string
  school_number: string
  legal_given: string
  used_name: string
  family: string
  pronouns: string
}

export interface SubjectRow {
  year_id: string
  key: string
  name: string
  in_sentence: string
  position: number
  mark_scale: string
  skill_scale: string
  strand_names: string | Record<string, string>
  mark_scale_by_grade: string | ByGrade<string>
  skill_scale_by_grade: string | ByGrade<string>
  taken_by: TakenBy
  retired: boolean
}

export interface SkillRow {
  year_id: string
  id: string
  subject: string
  strand: string
  statement: string
  family_words: string
  in_sentence: string
  does: string
  grade_from: number | null
  grade_to: number | null
  teacher_only: boolean
  position: number
  retired: boolean
}

interface HabitRow {
  year_id: string
  key: string
  name: string
  family_words: string
  scale: string
  position: number
  retired: boolean
}

export interface BoxRow {
  year_id: string
  key: string
  name: string
  subject: string | null
  character_limit: number
  limit_by_grade: string | ByGrade<number>
  tone: string
  plan: string
  position: number
  retired: boolean
}

/** A row as it goes in: columns with a default may be left out, and jsonb is text. */
type Insert<Row, Json extends keyof Row = never, Defaulted extends keyof Row = never> = Omit<Row, Json | Defaulted> &
  Partial<Pick<Row, Defaulted>> & { [Column in Json]?: string | null }
type Table<Row, Json extends keyof Row = never, Defaulted extends keyof Row = never> = Knex.CompositeTableType<
  Row,
  Insert<Row, Json, Defaulted>,
  Partial<Insert<Row, Json, Defaulted>>
>

declare module 'knex/types/tables' {
  interface Tables {
    school_year: Table<{ id: string; name: string; starts: string; ends: string }, never, 'id'>
    school: Table<{ year_id: string; settings: School }, 'settings'>
    setup_version: Table<{ year_id: string; version: string }, never, 'version'>
    person: Table<
      PersonRow,
      never,
      'id' | 'password_hash' | 'session_epoch' | 'switched_off' | 'grade_from' | 'grade_to'
    >
    invitation: Table<
      { token_hash: string; person_id: string; made_at: Date; expires: Date; used_at: Date | null },
      never,
      'made_at' | 'used_at'
    >
    term: Table<TermRow, never, 'id' | 'progress_due'>
    /** A group has a subject; a home class has none. */
    class_room: Table<{ id: string; year_id: string; name: string; subject: string | null }, never, 'id' | 'subject'>
    student: Table<StudentRow, never, 'id'>
    enrolment: Table<
      {
        class_id: string
        student_id: string
        position: number
        grade_level: string
        from_day: string | null
        to_day: string | null
      },
      never,
      'from_day' | 'to_day'
    >
    scale: Table<{ year_id: string; key: string; definition: Scale }, 'definition'>
    subject: Table<SubjectRow, never, 'retired'>
    skill: Table<SkillRow, never, 'retired'>
    habit: Table<HabitRow, never, 'retired'>
    teaching: Table<TeachingRow, never, 'id' | 'from_day' | 'to_day' | 'second_reader'>
    reopening: Table<ReopeningRow, never, 'id'>
    sign_off: Table<
      { class_id: string; term_id: string; subject: string; person_id: string; signed_at: number; note: string },
      never,
      'note'
    >
    opening: Table<
      { person_id: string; class_id: string; term_id: string; day: string; times: number; last_at: Date },
      never,
      'times' | 'last_at'
    >
    person_setting: Table<{ person_id: string; settings: Partial<OwnSettings> }, 'settings'>
    retention_rule: Table<
      {
        only_one: boolean
        openings_days: number
        files_left_days: number
        files_taken_days: number
        reports_days: number
        events_days: number
      },
      never,
      'only_one' | 'files_left_days' | 'files_taken_days' | 'reports_days' | 'events_days'
    >
    contact: Table<{
      id: string
      student_id: string
      name: string
      relation: string
      household: number
      email: string
      language: string
      told: boolean
      position: number
    }>
    standing_day: Table<{ only_one: boolean; day: string }, never, 'only_one'>
    erasure: Table<{ id: string; at: Date; person_id: string; reason: string }, never, 'id' | 'at'>
    category: Table<{ class_id: string; subject: string; key: string; name: string; weight: number; is_exam: boolean }>
    comment_box: Table<BoxRow, never, 'retired'>
    phrase: Table<PhraseRow>
    describing_words: Table<{ year_id: string; tier: string; words: string[] }>
    layout: Table<{ year_id: string; key: string; definition: Layout }, 'definition'>
    bundle: Table<{ event_id: number; year_id: string }>
    bundle_row: Table<{ event_id: number; in_table: string; key: object; before: object | null; after: object }>
    bundle_result: Table<{ event_id: number; work_id: string; student_id: string }>
    bundle_work: Table<{ event_id: number; work_id: string; results: number; sum: string }>
    question: Table<{ work_id: string; number: number; words: string; skill: string | null; out_of: number }>
    answer: Table<{ work_id: string; number: number; student_id: string; score: number }>
    practice: Table<{
      student_id: string
      term_id: string
      program: string
      kind: PracticeKind
      name: string
      amount: number | null
      beside: number | null
    }>
    register_day: Table<{ student_id: string; day: string; presence: Presence }>
    subject_choice: Table<{ year_id: string; student_id: string; subject: string; takes: boolean }>
    photo: Table<{ student_id: string; jpeg: string; fingerprint: string }>
    attendance: Table<{ student_id: string; term_id: string; days_open: number; absences: number; lates: number }>
    observation: Table<
      {
        id: string
        student_id: string
        term_id: string
        day: string
        about_kind: NoteKind | null
        about: string
        symbol: string | null
        text: string
        may_tell: boolean
        written_by: string | null
      },
      never,
      'id' | 'about_kind' | 'symbol' | 'may_tell' | 'written_by'
    >
    event: Table<EventRow, 'changes', 'id' | 'at' | 'last_at' | 'undone_by'>
    gradebook_file: Table<FileRow, never, 'id' | 'brought_at' | 'event_id'>
    remembered_mapping: Table<
      { class_id: string; subject: string; headings: string; mapping: Partial<GradebookMapping> },
      'mapping'
    >
    report_run: Table<RunRow, 'pages', 'id' | 'done' | 'message' | 'asked_at' | 'finished_at' | 'heartbeat' | 'title'>
    report_document: Table<
      { run_id: string; position: number; student_id: string | null; document: ReportDocument },
      'document'
    >
    report_file: Table<{ run_id: string; name: string; bytes: Buffer }>
  }
}
