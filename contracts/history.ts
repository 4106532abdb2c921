import { z } from 'zod'
import type { ResultState } from '../core/marks/work'
import type { NextSteps, Step } from '../core/record/ownSteps'
import { key } from '../core/text/textSchema'

/** A value whose history is asked for, by what it is about: its subject, skill, habit, piece of work or box. */
export const historyAsked = z.object({
  of: z.enum(['mark', 'skill', 'habit', 'result', 'comment']),
  student: z.uuid(),
  about: key,
})
export type HistoryAsked = z.infer<typeof historyAsked>

/** A value as an event left it; null for none. What it is made of depends on what it is. */
export type PastValue = {
  readonly percent?: number | null
  readonly special?: string | null
  readonly reason?: string | null
  readonly symbol?: string
  readonly state?: ResultState
  readonly score?: number | null
  readonly remark?: string
  readonly text?: string
  readonly absences?: number
  readonly lates?: number
} | null

/** One change of a value. */
export interface HistoryEntry {
  event: number
  /** ISO, to the second. */
  at: string
  by: string
  /** What was done, as "took in marks.xlsx". */
  kind: string
  from: PastValue
  to: PastValue
}

/**
 * An event to be undone, and the version of the texts in it that its asker saw: an event is gone on with while somebody
 * writes, perhaps on another page. Null where it has no texts.
 */
export const undoAsked = z.object({ seen: z.number().int().nullish() })

/** The event that undid another, and the version of the texts in it from then on. */
export interface UndoAnswer {
  event: number
  version: number | null
}

/** What a person can take back next in a class, and bring back, each with the version of the texts in it. */
export type StepsAnswer = NextSteps<Step & { at: string; seen: number | null }>
