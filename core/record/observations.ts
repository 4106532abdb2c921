export interface Attendance {
  readonly studentId: string
  readonly daysOpen: number
  readonly absences: number
  readonly lates: number
}

export const noteKinds = ['skill', 'habit', 'work'] as const
/** What a note can be tied to. */
export type NoteKind = (typeof noteKinds)[number]

/** A dated note: something seen or said, or a level seen along the way. */
export interface Observation {
  readonly id: string
  readonly studentId: string
  readonly date: string
  /** Null for a note about the child as such. */
  readonly kind: NoteKind | null
  /** The skill's id, the habit's key or the id of the piece of work. */
  readonly about: string
  /** The level or score that was seen, of the skill or the habit that it is tied to; null where it says none. */
  readonly symbol: string | null
  /** What was seen or said; may be empty where a symbol says it. */
  readonly text: string
  /** Whether a comment may use it; else it is for who wrote it alone. */
  readonly mayTell: boolean
  /** Who wrote it; null where nobody is known. */
  readonly by: string | null
  /** Whether the one who reads it wrote it. */
  readonly own: boolean
}

/** What of a note its writer says. */
export type WrittenInNote = 'date' | 'kind' | 'about' | 'symbol' | 'text' | 'mayTell'
