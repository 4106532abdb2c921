import type { ResultState } from '../marks/work'
import { wholeSentence, type KeptSentence } from '../narrative/keptSentence'
import { readPronouns } from '../people/pronouns'
import type { ClassTerm } from './classRecord'
import { unpackAnswers, type PackedAnswers } from './questions'
import type { Student } from './roster'
import type { SettledTerm, StudentComment, StudentLevel } from './termRecord'

type Symbols = Readonly<Record<string, string>>

/** The symbols of one student, by what they are about; and those that were proposed, where some were. */
export type PackedLevels = readonly (readonly [studentId: string, symbols: Symbols, proposed?: Symbols])[]

/** The results of one piece of work. */
type PackedResults = readonly (readonly [
  workId: string,
  results: readonly (readonly [studentId: string, state: ResultState, score: number | null, remark: string])[],
])[]

export type PackedComment = Omit<StudentComment, 'sentences'> & { readonly sentences: readonly KeptSentence[] }

export type PackedSettled = Pick<SettledTerm, 'term' | 'marks'> & {
  readonly levels: PackedLevels
  readonly habitScores: PackedLevels
  readonly comments: readonly PackedComment[]
}

/**
 * A class's term as it travels, from the database and to the browser: nothing is said once for each row that can be
 * said once for many. A third of the bytes, which costs less than compressing them.
 */
export type PackedTerm = Omit<ClassTerm, keyof SettledTerm | 'results' | 'answers' | 'earlier' | 'students'> &
  PackedSettled & {
    readonly results: PackedResults
    readonly answers: PackedAnswers
    readonly earlier: readonly PackedSettled[]
    /** Pronouns as people write them. */
    readonly students: readonly (Omit<Student, 'pronouns'> & { readonly pronouns: string })[]
  }

/**
 * The term as it is computed with; results and levels in the order of their work and student.
 *
 * @example unpackTerm({ …, results: [['quiz', [['maya', 'scored', 8, '']]]] }).results
 * // [{ workId: 'quiz', studentId: 'maya', state: 'scored', score: 8, remark: '' }]
 */
export function unpackTerm(packed: PackedTerm): ClassTerm {
  return {
    ...packed,
    ...unpackSettled(packed),
    results: packed.results.flatMap(([workId, some]) =>
      some.map(([studentId, state, score, remark]) => ({ workId, studentId, state, score, remark })),
    ),
    answers: unpackAnswers(packed.answers),
    earlier: packed.earlier.map(unpackSettled),
    students: packed.students.map((student) => ({
      ...student,
      pronouns: readPronouns(student.pronouns) ?? 'name only',
    })),
  }
}

function unpackSettled({ term, marks, levels, habitScores, comments }: PackedSettled): SettledTerm {
  return {
    term,
    marks,
    levels: unpackLevels(levels),
    habitScores: unpackLevels(habitScores),
    comments: comments.map((comment) => unpackComment(comment, term.id)),
  }
}

/** A comment as it is computed with; its sentences lie in its text. */
export function unpackComment(comment: PackedComment, termId: string): StudentComment {
  const around = { text: comment.text, termId }
  return { ...comment, sentences: comment.sentences.map((sentence) => wholeSentence(sentence, around)) }
}

function unpackLevels(packed: PackedLevels): StudentLevel[] {
  return packed.flatMap(([studentId, symbols, proposed = {}]) =>
    Object.entries(symbols).map(([about, symbol]) => ({ studentId, about, symbol, proposed: proposed[about] })),
  )
}
