import type { ClassRecord } from './classRecord'
import type { Attendance, Observation, WrittenInNote } from './observations'
import type { Answer } from './questions'
import type { AcceptedFinding, LevelKind, StudentComment, StudentLevel, StudentMark } from './termRecord'

// A record's parts with what somebody has just written in place of what stood there; null takes it away. Lists are
// exchanged, never changed: what looks at another part has nothing to do.

type Part = Partial<ClassRecord>

export interface MarkCell {
  readonly studentId: string
  readonly subject: string
  readonly mark: Omit<StudentMark, 'studentId' | 'subject'> | null
}

export interface LevelCell {
  readonly studentId: string
  readonly about: string
  readonly symbol: string | null
  /** What the record proposes where it is settled. */
  readonly proposed?: string | null
}

export interface DaysCell {
  readonly studentId: string
  readonly days: Omit<Attendance, 'studentId'> | null
}

export interface AnswerCell extends Omit<Answer, 'score'> {
  readonly score: number | null
}

export interface NoteCell {
  readonly id: string
  readonly studentId: string
  readonly note: Pick<Observation, WrittenInNote> | null
}

export function withMarks({ marks }: ClassRecord, cells: readonly MarkCell[]): Part {
  const place = (each: { studentId: string; subject: string }): string => `${each.studentId} ${each.subject}`
  return {
    marks: exchanged(marks, cells, place, ({ mark, studentId, subject }) => mark && { studentId, subject, ...mark }),
  }
}

export function withLevels(record: ClassRecord, kind: LevelKind, cells: readonly LevelCell[]): Part {
  const part = kind === 'skill' ? 'levels' : 'habitScores'
  const place = (each: { studentId: string; about: string }): string => `${each.studentId} ${each.about}`
  const made = ({ studentId, about, symbol, proposed }: LevelCell): StudentLevel | null =>
    symbol === null ? null : { studentId, about, symbol, proposed }
  return { [part]: exchanged(record[part], cells, place, made) }
}

export function withAttendance({ attendance }: ClassRecord, cells: readonly DaysCell[]): Part {
  const place = (each: { studentId: string }): string => each.studentId
  return { attendance: exchanged(attendance, cells, place, ({ studentId, days }) => days && { studentId, ...days }) }
}

export function withAnswers({ answers }: ClassRecord, cells: readonly AnswerCell[]): Part {
  const place = (each: Omit<Answer, 'score'>): string => `${each.workId} ${each.number} ${each.studentId}`
  const made = ({ workId, number, studentId, score }: AnswerCell): Answer | null =>
    score === null ? null : { workId, number, studentId, score }
  return { answers: exchanged(answers, cells, place, made) }
}

/** In the order of their days. A note that was not there is the writer's own. */
export function withNote({ observations }: ClassRecord, cell: NoteCell): Part {
  const before = observations.find(({ id }) => id === cell.id)
  const fresh = { by: null, own: true }
  const made = ({ id, studentId, note }: NoteCell) => note && { ...fresh, ...before, ...note, id, studentId }
  const all = exchanged(observations, [cell], ({ id }) => id, made)
  return { observations: all.toSorted((a, b) => (a.date < b.date ? -1 : Number(a.date > b.date))) }
}

export function withComment({ comments }: ClassRecord, comment: StudentComment): Part {
  return {
    comments: exchanged(
      comments,
      [comment],
      ({ studentId, box }) => `${studentId} ${box}`,
      (each) => each,
    ),
  }
}

/** A finding that is said to be right, or no longer. */
export function withAccepted(
  { accepted }: ClassRecord,
  { right, studentId, box, check, words }: AcceptedFinding & { readonly right: boolean },
): Part {
  const finding = { studentId, box, check, words }
  const place = (each: AcceptedFinding): string => JSON.stringify([each.studentId, each.box, each.check, each.words])
  return { accepted: exchanged(accepted, [finding], place, (each) => (right ? each : null)) }
}

/** The items whose places are not written to, then what was written. */
function exchanged<Item, Cell>(
  items: readonly Item[],
  cells: readonly Cell[],
  keyOf: (each: Item | Cell) => string,
  made: (cell: Cell) => Item | null,
): Item[] {
  const written = new Set(cells.map(keyOf))
  return [...items.filter((item) => !written.has(keyOf(item))), ...cells.flatMap((cell) => made(cell) ?? [])]
}
