/** A heading under which pieces of work are weighed: "Quizzes", 30. */
export interface Category {
  readonly key: string
  readonly name: string
  /** Relative to the other categories; need not add up to 100. */
  readonly weight: number
  /** Its work is the exam, which weighs apart where the school has it so. */
  readonly isExam: boolean
}

/** A quiz, project, exam or the like that a class did. */
export interface PieceOfWork {
  readonly id: string
  readonly title: string
  readonly category: string
  /** ISO date, or null when the file said none. */
  readonly date: string | null
  /** The most that can be scored, above 0. */
  readonly outOf: number
  /** Relative to the other work of its category. */
  readonly weight: number
  /** False for work that only informs the teacher. */
  readonly counts: boolean
}

export const resultStates = ['scored', 'missing', 'late', 'excused', 'incomplete'] as const
export type ResultState = (typeof resultStates)[number]

/** What one student got for one piece of work. A late result may have a score; a missing one has none. */
export interface Result {
  readonly workId: string
  readonly state: ResultState
  readonly score: number | null
}
