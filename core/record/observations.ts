export interface Attendance {
  readonly studentId: string
  readonly daysOpen: number
  readonly absences: number
  readonly lates: number
}

/** A dated note: something seen or said. For the teacher. */
export interface Observation {
  readonly studentId: string
  readonly date: string
  readonly about: string
  readonly text: string
}
