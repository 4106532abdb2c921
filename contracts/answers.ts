import type { ImportPlan } from '../core/exchange/gradebook/planImport'
import type { TableRow } from '../core/exchange/files/readTable'
import type { GradebookMapping } from '../core/exchange/gradebook/gradebookMapping'
import type { PackedTerm } from '../core/record/packedTerm'
import type { SchoolSetup } from '../core/school/schoolSetup'
import type { Term } from '../core/record/term'
import type { StudentComment } from '../core/record/termRecord'
import type { Reopening } from '../core/terms/lock'
import type { StudentProgress } from '../core/terms/progress'
import type { SignedIn } from './session'

/** What the signed-in person may change in the class in view. */
export interface Permissions {
  subjects: string[]
  general: boolean
  notes: boolean
  /** Photos lock with no term. */
  photos: boolean
  reports: boolean
  /** The school's own phrases, describing words, plans and checks. */
  phrasebook: boolean
  /** A sentence saying why nothing can be changed, or null. */
  locked: string | null
  /** What of a locked term the coordinator has opened again here. */
  reopened: readonly Reopening[]
}

/** One class in one term, as far as the reader may see it; with the set-up it makes the whole record. */
export interface ClassAnswer {
  term: PackedTerm
  /** The subjects that the reader sees in this class; in another class it may be others. */
  reads: string[]
  may: Permissions
  /** ISO date on the server. */
  today: string
  /** When it was read, by the database's clock, in ms: what others change from then on is told (contracts/live.ts). */
  readAt: number
}

/** The school's set-up as far as it concerns the reader, with the own phrases beside the school's. */
export interface SetupAnswer {
  setup: SchoolSetup
}

/** A class on the desk. */
export interface DeskClass {
  id: string
  name: string
  /** What the person has there: "home class", or a subject's name. */
  role: string
  /** Whether the person teaches there: neither coordinates alone nor is a second reader alone. */
  teaches: boolean
  students: number
  counts: StudentProgress
}

export interface DeskAnswer {
  person: SignedIn
  school: string
  today: string
  /** Whether the day never passes here, as in the demo. */
  standsStill: boolean
  term: Term
  terms: Term[]
  classes: DeskClass[]
}

/** A class that somebody teaches, with its children and how far the work about each is. */
export interface TaughtClass {
  id: string
  name: string
  children: { id: string; usedName: string; family: string; progress: StudentProgress }[]
}

/** A file that was brought, with its sheets; a text file has one, without a name. */
export interface FileAnswer extends SheetAnswer {
  id: string
  name: string
  /** All that it has; the file itself is told as the one of them that looks most like a gradebook of this class. */
  sheets: SheetAnswer[]
}

/** How a sheet would be read. */
export interface SheetAnswer {
  mapping: GradebookMapping
  /** True when the mapping is the one the teacher corrected last time. */
  remembered: boolean
  /** True where the children stand side by side in the file, so that its columns are read as rows. */
  turned: boolean
  /** The first rows of the file and its last ones, by row number. */
  sample: TableRow[]
  rows: number
}

export interface PlanAnswer {
  /** How the file was read: as was asked, with the correction that came along. */
  mapping: GradebookMapping
  plan: ImportPlan
  fingerprint: string
}

export interface ChangeAnswer {
  /** The event that can be undone; null when nothing changed. */
  event: number | null
}

export interface DraftsAnswer extends ChangeAnswer {
  /** The version of all of them. */
  version: number | null
  comments: StudentComment[]
  /** Students whose box somebody wrote in while the drafts were composed: those texts stay. */
  writtenMeanwhile: string[]
  /** Students whose facts or phrases gave nothing to say. */
  withoutFacts: string[]
}

export interface RunAnswer {
  id: string
  state: 'waiting' | 'setting' | 'finished' | 'stopped' | 'failed'
  students: number
  done: number
  pages: Record<string, number> | null
  message: string | null
  askedAt: string
}
