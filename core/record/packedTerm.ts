import type { ResultState } from '../marks/work'
import { keptSentence, wholeSentence, type KeptSentence } from '../narrative/keptSentence'
import type { ClassTerm } from './classRecord'
import type { SettledTerm, StudentComment, StudentLevel } from './termRecord'

/** The symbols of one student, by what they are about. */
type PackedLevels = readonly (readonly [studentId: string, symbols: Readonly<Record<string, string>>])[]

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
export type PackedTerm = Omit<ClassTerm, keyof SettledTerm | 'results' | 'earlier'> &
  PackedSettled & { readonly results: PackedResults; readonly earlier: readonly PackedSettled[] }

export function packTerm(term: ClassTerm): PackedTerm {
  const results = grouped(term.results, (each) => each.workId)
  return {
    ...term,
    ...packSettled(term),
    results: results.map(([workId, some]) => [
      workId,
      some.map(({ studentId, state, score, remark }) => [studentId, state, score, remark] as const),
    ]),
    earlier: term.earlier.map(packSettled),
  }
}

/** The term again; results and levels come in the order of their work and student. */
export function unpackTerm(packed: PackedTerm): ClassTerm {
  return {
    ...packed,
    ...unpackSettled(packed),
    results: packed.results.flatMap(([workId, some]) =>
      some.map(([studentId, state, score, remark]) => ({ workId, studentId, state, score, remark })),
    ),
    earlier: packed.earlier.map(unpackSettled),
  }
}

function packSettled({ term, marks, levels, habitScores, comments }: SettledTerm): PackedSettled {
  return {
    term,
    marks,
    levels: packLevels(levels),
    habitScores: packLevels(habitScores),
    comments: comments.map((comment) => packComment(comment, term.id)),
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

export function packComment(comment: StudentComment, termId: string): PackedComment {
  const around = { text: comment.text, termId }
  return { ...comment, sentences: comment.sentences.map((sentence) => keptSentence(sentence, around)) }
}

export function unpackComment(comment: PackedComment, termId: string): StudentComment {
  const around = { text: comment.text, termId }
  return { ...comment, sentences: comment.sentences.map((sentence) => wholeSentence(sentence, around)) }
}

function packLevels(levels: readonly StudentLevel[]): PackedLevels {
  return grouped(levels, (each) => each.studentId).map(([studentId, some]) => [
    studentId,
    Object.fromEntries(some.map(({ about, symbol }) => [about, symbol])),
  ])
}

function unpackLevels(packed: PackedLevels): StudentLevel[] {
  return packed.flatMap(([studentId, symbols]) =>
    Object.entries(symbols).map(([about, symbol]) => ({ studentId, about, symbol })),
  )
}

function grouped<T>(items: readonly T[], keyOf: (item: T) => string): [string, T[]][] {
  const groups = new Map<string, T[]>()
  for (const item of items) {
    const group = groups.get(keyOf(item))
    if (group) group.push(item)
    else groups.set(keyOf(item), [item])
  }
  return [...groups]
}
