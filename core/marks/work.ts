/** A heading under which pieces of work are weighed: "Quizzes", 30. */
export interface Category {
  key: string
  name: string
  /** Relative to the other categories; need not add up to 100. */
  weight: number
}

/** A quiz, project, exam or the like that a class did. */
export interface PieceOfWork {
  id: string
  title: string
  category: string
  /** ISO date, or null when the file said none. */
  date: string | null
  /** The most that can be scored, above 0. */
  outOf: number
  /** Relative to the other work of its category. */
  weight: number
  /** False for work that only informs the teacher. */
  counts: boolean
}

export const resultStates = ['scored', 'missing', 'late', 'excused', 'incomplete'] as const
export type ResultState = (typeof resultStates)[number]

/** What one student got for one piece of work. A late result may have a score; a missing one has none. */
export interface Result {
  workId: string
  state: ResultState
  score: number | null
}
