import type { RegisterToKeep } from '~~/contracts/evidence'
import type { NoteToWrite } from '~~/contracts/notes'
import type { GivenCell } from '~~/core/exchange/gradebook/planCells'
import type { ClassRecord } from '~~/core/record/classRecord'
import { levelEvidence } from '~~/core/record/levelEvidence'
import type { Attendance } from '~~/core/record/observations'
import { sumOfAnswers } from '~~/core/record/questions'
import type { RecordIndex } from '~~/core/record/recordIndex'
import { resultsThatFollow } from '~~/core/record/resultOfAnswers'
import type { LevelKind } from '~~/core/record/termRecord'
import {
  withAnswers,
  withAttendance,
  withLevels,
  withMarks,
  withNote,
  type AnswerCell,
  type DaysCell,
  type LevelCell,
  type MarkCell,
} from '~~/core/record/withWritten'
import { proposedPercent } from '~~/core/record/yearSoFar'
import type { Work } from '~/outbox/work'

/** The record that is written into: how it stands, how it is shown changed, and how what was changed is sent. */
interface Written {
  readonly index: Readonly<Ref<RecordIndex | null>>
  /** Where it was fetched from. */
  readonly place: Readonly<Ref<string>>
  readonly show: (part: (now: ClassRecord) => Partial<ClassRecord>) => void
  readonly putResults: (cells: readonly GivenCell[]) => void
  readonly nameOf: (studentId: string) => string
  /** @param where another place than the one in view */
  readonly send: (work: Work, when?: 'now' | 'soon', where?: string) => void
}

/** What a teacher writes into the record of a class: each shown at once, and sent with what was seen of it. */
export function recordWrites({ index, place, show, putResults, nameOf, send }: Written) {
  /** Settles marks at once on the screen and then on the server; null takes one back. */
  function settleMarks(settled: readonly MarkCell[]): void {
    const seen = index.value
    if (!seen || settled.length === 0) return
    const marks = settled.map((each): MarkCell => {
      // Whoever settles has seen what is proposed now, unless the mark itself says otherwise.
      const now = proposedPercent(seen, each.studentId, each.subject)
      return { ...each, mark: each.mark && { proposed: now, ...each.mark } }
    })
    const body = {
      marks: marks.map(({ studentId, subject: key, mark }) => {
        const was = seen.markOf(studentId, key)
        return {
          studentId,
          subject: key,
          mark,
          was: was ? { percent: was.percent, special: was.special, reason: was.reason } : null,
        }
      }),
    }
    show((now) => withMarks(now, marks))
    const [only] = marks
    const what = marks.length === 1 && only ? `Mark of ${nameOf(only.studentId)}` : `${marks.length} marks`
    const key = marks.length === 1 && only ? `mark ${only.studentId} ${only.subject}` : `marks ${crypto.randomUUID()}`
    send({ kind: 'marks', key, path: 'marks', what, body })
  }

  /** Settles levels or scores at once on the screen; cells typed one after another go out together. */
  function settleLevels(kind: LevelKind, cells: readonly LevelCell[]): void {
    const seen = index.value
    if (!seen || cells.length === 0) return
    const levels = cells.map(({ studentId, about, symbol }) => ({
      studentId,
      kind,
      about,
      symbol,
      // Whoever settles has seen what is proposed now.
      proposed: levelEvidence(seen, { studentId, kind, about }).proposed?.symbol ?? null,
      was: seen.levelOf(studentId, kind, about) ?? null,
    }))
    show((now) => withLevels(now, kind, levels))
    const [only] = cells
    const many = cells.length > 1
    const what = many || !only ? `${cells.length} ${kind} cells` : `A ${kind} of ${nameOf(only.studentId)}`
    const key = many ? `cells ${crypto.randomUUID()}` : 'cells'
    send({ kind: 'levels', key, path: 'levels', what, body: { levels } }, many ? 'now' : 'soon')
  }

  /** Keeps results at once on the screen; those typed one after another go out together. */
  function giveResults(cells: readonly GivenCell[]): void {
    if (!index.value || cells.length === 0) return
    const results = cells.map((cell) => {
      const was = index.value?.resultOf(cell.workId, cell.studentId)
      return { ...cell, was: was ? { state: was.state, score: was.score, remark: was.remark } : null }
    })
    putResults(cells)
    const [only] = cells
    const many = cells.length > 1
    const what = many || !only ? `${cells.length} results` : `A result of ${nameOf(only.studentId)}`
    const key = many ? `results ${crypto.randomUUID()}` : 'results'
    send({ kind: 'results', key, path: 'results', what, body: { results } }, many ? 'now' : 'soon')
  }

  /** Days as they shall be, beside those that stand. */
  function attendanceToKeep(studentId: string, { daysOpen, absences, lates }: Omit<Attendance, 'studentId'>) {
    const was = index.value?.attendanceOf(studentId)
    return {
      studentId,
      days: { daysOpen, absences, lates },
      was: was ? { daysOpen: was.daysOpen, absences: was.absences, lates: was.lates } : null,
    }
  }

  /** Keeps days of attendance at once on the screen; those typed one after another go out together. */
  function giveAttendance(days: readonly Attendance[]): void {
    const attendance = days.map(({ studentId, ...each }) => attendanceToKeep(studentId, each))
    show((now) => withAttendance(now, attendance))
    const what = days.length === 1 ? `The attendance of ${nameOf(days[0]?.studentId ?? '')}` : 'The attendance'
    send({ kind: 'attendance', key: 'attendance', path: 'cells', what, body: { attendance } }, 'soon')
  }

  /** Keeps what children reached in questions; a result that is their sum follows at once, as it will on the server. */
  function giveAnswers(cells: readonly AnswerCell[]): void {
    const now = index.value
    const [only] = cells
    if (!now || !only) return
    const answers = cells.map((cell) => {
      const had = now.answersOf(cell.workId, cell.studentId).find(({ number }) => number === cell.number)
      return { ...cell, was: had?.score ?? null }
    })
    show((record) => withAnswers(record, cells))
    const sum = (of: RecordIndex, { workId, studentId }: AnswerCell) => sumOfAnswers(of.answersOf(workId, studentId))
    const following = resultsThatFollow(cells, {
      outOfWork: (id) => now.record.work.find((work) => work.id === id)?.outOf,
      outOfQuestions: (id) => now.questionsOf(id).reduce((whole, { outOf }) => whole + outOf, 0),
      sums: (cell) => ({ before: sum(now, cell), after: sum(index.value ?? now, cell) }),
      result: ({ workId, studentId }) => now.resultOf(workId, studentId) ?? null,
    })
    putResults(following)
    const what = cells.length === 1 ? `A question of ${nameOf(only.studentId)}` : `${cells.length} questions’ results`
    send({ kind: 'answers', key: 'answers', path: 'answers', what, body: { answers } }, 'soon')
  }

  /** Keeps days of the register; the sums of the term follow at once, as they will on the server. */
  function giveRegister(days: readonly RegisterToKeep[], sums: readonly DaysCell[]): void {
    show((now) => withAttendance(now, sums))
    const what = days.length === 1 ? `The register of ${nameOf(days[0]?.studentId ?? '')}` : 'The register'
    send({ kind: 'register', key: 'register', path: 'register', what, body: { days: [...days] } }, 'soon')
  }

  /** Keeps a note, or takes it away; it goes to the class where it was begun. */
  function writeNote(note: NoteToWrite, where: string): void {
    if (where === place.value) show((now) => withNote(now, note))
    const what = `A note about ${nameOf(note.studentId)}`
    send({ kind: 'note', key: `note ${note.id}`, path: 'note', what, body: note }, 'now', where)
  }

  return {
    settleMarks,
    settleLevels,
    giveResults,
    attendanceToKeep,
    giveAttendance,
    giveAnswers,
    giveRegister,
    writeNote,
  }
}
