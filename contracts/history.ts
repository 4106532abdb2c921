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

/** What a person can take back next in a class, and bring back. */
export type StepsAnswer = NextSteps<Step & { at: string }>
