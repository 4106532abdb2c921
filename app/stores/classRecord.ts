import { defineStore } from 'pinia'
import type { ClassAnswer, RunAnswer, SetupAnswer } from '~~/contracts/answers'
import type { AttendanceToKeep, CellsToKeep } from '~~/contracts/classList'
import type { NoteToWrite } from '~~/contracts/notes'
import type { WorkToWrite } from '~~/contracts/results'
import type { GivenCell } from '~~/core/exchange/planCells'
import { followEdits } from '~~/core/narrative/followEdits'
import { indexPhrases } from '~~/core/narrative/phraseIndex'
import { classRecordOf, type ClassRecord } from '~~/core/record/classRecord'
import { unpackTerm } from '~~/core/record/packedTerm'
import type { Attendance } from '~~/core/record/observations'
import type { Student } from '~~/core/record/roster'
import type { Subject } from '~~/core/school/schoolSetup'
import type { LevelKind, StudentComment, StudentMark } from '~~/core/record/termRecord'
import { narrowSetup } from '~~/core/record/narrowSetup'
import { indexRecord } from '~~/core/record/recordIndex'
import { withResults } from '~~/core/record/resultPlaces'
import { studentProgress, sumProgress } from '~~/core/terms/progress'
import { askServer } from '~/composables/useApi'
import type { Work } from '~/shelf/work'
import { useSaving } from './saving'
import { useView } from './view'

/** A mark that somebody settles; null takes it back. */
export interface MarkSettled {
  studentId: string
  subject: string
  mark: Pick<StudentMark, 'percent' | 'special' | 'reason'> | null
}

interface Loaded {
  record: ClassRecord
  may: ClassAnswer['may']
  today: string
}

/** The class in view: everything the stages compute from, changed at once and sent in the background. */
export const useClassRecord = defineStore('classRecord', () => {
  const view = useView()
  const saving = useSaving()
  const answer = shallowRef<Loaded | null>(null)
  const runs = shallowRef<RunAnswer[]>([])
  const problem = ref<string | null>(null)

  const record = computed(() => answer.value?.record ?? null)
  const may = computed(
    () =>
      answer.value?.may ?? {
        ...{ subjects: [], general: false, notes: false, reports: false, phrasebook: false },
        locked: null,
      },
  )
  const index = computed(() => (record.value ? indexRecord(record.value) : null))
  /** Where the record in view was fetched from; what is done to it goes back there, whatever is looked at next. */
  const place = computed(() =>
    record.value
      ? `/api/classes/${record.value.classRoom.id}/${record.value.term.id}`
      : `/api/classes/${view.kept.classId}/${view.kept.termId}`,
  )
  /** Where the school's own for the year in view is read and changed. */
  const yearPath = computed(() => `/api/years/${record.value?.term.yearId ?? view.kept.yearId}`)
  const subject = computed(
    (): Subject | null =>
      record.value?.subjects.find((each) => each.key === view.kept.subject) ?? record.value?.subjects[0] ?? null,
  )
  const student = computed(
    (): Student | null =>
      record.value?.students.find((each) => each.id === view.kept.studentId) ?? record.value?.students[0] ?? null,
  )
  const box = computed(
    () => record.value?.boxes.find((each) => each.key === view.kept.box) ?? record.value?.boxes[0] ?? null,
  )
  const reported = computed(
    () => new Set(runs.value.filter((run) => run.state === 'finished').flatMap((run) => Object.keys(run.pages ?? {}))),
  )
  const progress = computed(() => {
    const now = index.value
    if (!now) return new Map<string, ReturnType<typeof studentProgress>>()
    const subjects = now.record.subjects.map((each) => each.key)
    return new Map(
      now.record.students.map((each) => [
        each.id,
        studentProgress(now, each.id, subjects, reported.value.has(each.id)),
      ]),
    )
  })
  const total = computed(() => sumProgress([...progress.value.values()]))

  async function load(): Promise<void> {
    if (!view.kept.classId || !view.kept.termId || !view.kept.yearId) await view.loadDesk()
    const wanted = `/api/classes/${view.kept.classId}/${view.kept.termId}`
    try {
      problem.value = null
      const [{ setup: whole }, { term, reads, ...rest }, madeRuns] = await Promise.all([
        askServer<SetupAnswer>('GET', `/api/years/${view.kept.yearId}/setup`),
        askServer<ClassAnswer>('GET', wanted),
        askServer<RunAnswer[]>('GET', `${wanted}/runs`),
      ])
      // Somebody may have turned to another class meanwhile.
      if (wanted !== `/api/classes/${view.kept.classId}/${view.kept.termId}`) return
      const setup = narrowSetup(whole, (key) => reads.includes(key))
      answer.value = { ...rest, record: classRecordOf(setup, unpackTerm(term)) }
      showShelf()
      runs.value = madeRuns
      // A thousand phrases are read once; better now, while nothing else is to do, than at the first draft.
      setTimeout(() => indexPhrases(setup.phrasebook), 300)
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error)
    }
  }

  function change(part: Partial<ClassRecord>): void {
    if (answer.value) answer.value = { ...answer.value, record: { ...answer.value.record, ...part } }
  }

  /** What this device has not been able to send yet is what its owner means: it stands over what was fetched. */
  function showShelf(): void {
    for (const work of [...saving.waiting.map((entry) => entry.work), ...saving.pending.values()]) {
      if (!work.path.startsWith(`${place.value}/`)) continue
      if (work.kind === 'comment') putComment(work.body)
      if (work.kind === 'marks') putMarks(work.body.marks)
      if (work.kind === 'results') putResults(work.body.results)
      if (work.kind === 'attendance') putAttendance(work.body.attendance)
      if (work.kind === 'note') putNote(work.body)
      if (work.kind === 'levels') {
        for (const kind of ['skill', 'habit'] as const) {
          putLevels(
            kind,
            work.body.levels.filter((level) => level.kind === kind),
          )
        }
      }
    }
  }

  function nameOf(studentId: string): string {
    return index.value?.student(studentId)?.usedName ?? ''
  }

  function send(work: Work, when: 'now' | 'soon' = 'now', where = place.value): void {
    saving.save({ ...work, key: `${where} ${work.key}`, path: `${where}/${work.path}` }, when)
  }

  function putMarks(marks: readonly MarkSettled[]): void {
    const changed = new Set(marks.map((each) => `${each.studentId} ${each.subject}`))
    const kept = (record.value?.marks ?? []).filter((each) => !changed.has(`${each.studentId} ${each.subject}`))
    const settled = marks.flatMap(({ studentId, subject: key, mark }) =>
      mark ? [{ studentId, subject: key, ...mark }] : [],
    )
    change({ marks: [...kept, ...settled] })
  }

  /** Settles marks at once on the screen and then on the server; null takes one back. */
  function settleMarks(marks: readonly MarkSettled[]): void {
    if (!record.value || marks.length === 0) return
    const body = {
      marks: marks.map(({ studentId, subject: key, mark }) => {
        const was = index.value?.markOf(studentId, key)
        return {
          studentId,
          subject: key,
          mark,
          was: was ? { percent: was.percent, special: was.special, reason: was.reason } : null,
        }
      }),
    }
    putMarks(marks)
    const [only] = marks
    const what = marks.length === 1 && only ? `Mark of ${nameOf(only.studentId)}` : `${marks.length} marks`
    const key = marks.length === 1 && only ? `mark ${only.studentId} ${only.subject}` : `marks ${crypto.randomUUID()}`
    send({ kind: 'marks', key, path: 'marks', what, body })
  }

  function putLevels(kind: LevelKind, cells: readonly { studentId: string; about: string; symbol: string | null }[]) {
    const part = kind === 'skill' ? 'levels' : 'habitScores'
    const changed = new Set(cells.map((each) => `${each.studentId} ${each.about}`))
    const kept = (record.value?.[part] ?? []).filter((each) => !changed.has(`${each.studentId} ${each.about}`))
    const settled = cells.flatMap(({ studentId, about, symbol }) =>
      symbol === null ? [] : [{ studentId, about, symbol }],
    )
    change({ [part]: [...kept, ...settled] })
  }

  /** Settles levels or scores at once on the screen; cells typed one after another go out together. */
  function settleLevels(
    kind: LevelKind,
    cells: readonly { studentId: string; about: string; symbol: string | null }[],
  ): void {
    if (!record.value || cells.length === 0) return
    const levels = cells.map(({ studentId, about, symbol }) => ({
      studentId,
      kind,
      about,
      symbol,
      was: index.value?.levelOf(studentId, kind, about) ?? null,
    }))
    putLevels(kind, cells)
    const [only] = cells
    const many = cells.length > 1
    const what = many || !only ? `${cells.length} ${kind} cells` : `A ${kind} of ${nameOf(only.studentId)}`
    const key = many ? `cells ${crypto.randomUUID()}` : 'cells'
    send({ kind: 'levels', key, path: 'levels', what, body: { levels } }, many ? 'now' : 'soon')
  }

  function putResults(cells: readonly GivenCell[]): void {
    change({ results: withResults(record.value?.results ?? [], cells) })
  }

  /** Keeps results at once on the screen; those typed one after another go out together. */
  function giveResults(cells: readonly GivenCell[]): void {
    if (!record.value || cells.length === 0) return
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

  function putAttendance(cells: readonly AttendanceToKeep[]): void {
    const changed = new Set(cells.map((each) => each.studentId))
    const kept = (record.value?.attendance ?? []).filter((each) => !changed.has(each.studentId))
    change({
      attendance: [...kept, ...cells.flatMap(({ studentId, days }) => (days ? [{ studentId, ...days }] : []))],
    })
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
    putAttendance(attendance)
    const what = days.length === 1 ? `The attendance of ${nameOf(days[0]?.studentId ?? '')}` : 'The attendance'
    send({ kind: 'attendance', key: 'attendance', path: 'cells', what, body: { attendance } }, 'soon')
  }

  /** Takes a list in as one change, then shows the class as it is. */
  async function takeListIn(cells: CellsToKeep): Promise<void> {
    await saving.flush()
    const { event } = await askServer<{ event: number | null }>('PUT', `${place.value}/cells`, cells)
    saving.did(event)
    await load()
  }

  function putNote({ id, studentId, note }: NoteToWrite): void {
    const all = record.value?.observations ?? []
    const before = all.find((each) => each.id === id)
    const now = note && { by: null, own: true, ...before, ...note, id, studentId }
    const rest = all.filter((each) => each !== before)
    change({ observations: (now ? [...rest, now] : rest).toSorted((a, b) => (a.date < b.date ? -1 : 1)) })
  }

  /** Keeps a note, or takes it away; it goes to the class where it was begun. */
  function writeNote(note: NoteToWrite, where: string): void {
    if (where === place.value) putNote(note)
    const body = { ...note }
    send(
      { kind: 'note', key: `note ${note.id}`, path: 'note', what: `A note about ${nameOf(note.studentId)}`, body },
      'now',
      where,
    )
  }

  /** Adds, changes or takes away a piece of work, then shows the class as it is. */
  async function keepWork(wanted: WorkToWrite): Promise<void> {
    await saving.flush()
    const { event } = await askServer<{ event: number | null }>('PUT', `${place.value}/work`, wanted)
    saving.did(event)
    await load()
  }

  /** The key under which a comment waits. */
  function commentKey(studentId: string, boxKey: string): string {
    return `${place.value} comment ${studentId} ${boxKey}`
  }

  /** Shows a comment at once, keeps it on this device, and sends it: soon while the next keystroke may follow. */
  function writeComment(comment: StudentComment, when: 'now' | 'soon' = 'now'): void {
    if (!record.value) return
    putComment(comment)
    const boxName = record.value.boxes.find((each) => each.key === comment.box)?.name ?? comment.box
    const what = `${boxName} of ${nameOf(comment.studentId)}`
    const key = `comment ${comment.studentId} ${comment.box}`
    send({ kind: 'comment', key, path: 'comment', what, body: comment }, when)
  }

  saving.listeners.add((key, { version }, ofAnother) => {
    const comment = record.value?.comments.find((each) => commentKey(each.studentId, each.box) === key)
    if (!comment || typeof version !== 'number') return
    // A text that is not the one here must be seen before it is written over.
    const another = ofAnother?.kind === 'comment' ? ofAnother.body : comment
    if (another.text === comment.text && another.status === comment.status) putComment({ ...comment, version })
  })

  function putComment(comment: StudentComment): void {
    if (!record.value) return
    change({
      comments: [
        ...record.value.comments.filter((each) => each.studentId !== comment.studentId || each.box !== comment.box),
        comment,
      ],
    })
  }

  /** Puts other words into a comment, following what was composed; the words are the teacher's own from then on. */
  function rewrite(studentId: string, key: string, text: string, sentences?: StudentComment['sentences']): void {
    const now = index.value?.commentOf(studentId, key)
    if (!now) return
    const own = sentences === undefined || now.ownWords
    writeComment({
      ...now,
      text,
      sentences: sentences ?? followEdits(now.sentences, now.text, text),
      ownWords: own,
      status: 'in draft',
    })
  }

  /** Remembers that the words of a finding are right as they are; shown at once. */
  function acceptFinding(studentId: string, key: string, check: string, words: string): void {
    if (!record.value) return
    change({ accepted: [...record.value.accepted, { studentId, box: key, check, words }] })
    const what = `A finding in ${nameOf(studentId)}’s comment`
    const body = { studentId, box: key, check, words, right: true }
    send({ kind: 'finding', key: `accepted ${studentId} ${key} ${check} ${words}`, path: 'accepted', what, body })
  }

  /** Shows comments as the server has them, but none over what is still being typed here. */
  function putComments(comments: readonly StudentComment[]): void {
    for (const comment of comments) {
      if (!saving.isOnShelf(commentKey(comment.studentId, comment.box))) putComment(comment)
    }
  }

  /** Undoes the last change made here (or does it again, when that was an undoing), then shows how things stand. */
  /** Turns to a comment box; the subject in view goes along. */
  function chooseBox(key: string): void {
    view.kept.box = key
    const subjectOfBox = record.value?.boxes.find((each) => each.key === key)?.subject
    if (subjectOfBox) view.kept.subject = subjectOfBox
  }

  /** The class before or after the one in view, in the order of the desk. */
  function roomBeside(by: 1 | -1): { id: string; name: string } | null {
    const rooms = view.desk?.classes ?? []
    const at = rooms.findIndex((each) => each.id === view.kept.classId)
    return at < 0 ? null : (rooms[at + by] ?? null)
  }

  /** Goes on to the class before or after, and there to the last student or the first. */
  async function goToRoom(by: 1 | -1): Promise<void> {
    const room = roomBeside(by)
    if (!room) return
    Object.assign(view.kept, { classId: room.id, studentId: null })
    await load()
    if (by === -1 && view.kept.classId === room.id) view.kept.studentId = record.value?.students.at(-1)?.id ?? null
  }

  /** Whether there is a student before or after in the class list. */
  function hasStep(by: 1 | -1): boolean {
    const students = record.value?.students ?? []
    return students[students.findIndex((each) => each.id === student.value?.id) + by] !== undefined
  }

  /**
   * Goes to the student before or after, in the order of the class list; past its end to the next class, so that who
   * teaches in many works through them as one list.
   */
  async function step(by: 1 | -1): Promise<void> {
    const students = record.value?.students ?? []
    const next = students[students.findIndex((each) => each.id === student.value?.id) + by]
    if (next) view.kept.studentId = next.id
    else await goToRoom(by)
  }

  return {
    answer,
    record,
    may,
    index,
    place,
    yearPath,
    subject,
    student,
    box,
    runs,
    progress,
    total,
    problem,
    load,
    settleMarks,
    settleLevels,
    giveResults,
    keepWork,
    writeNote,
    attendanceToKeep,
    giveAttendance,
    takeListIn,
    writeComment,
    commentKey,
    putComments,
    chooseBox,
    roomBeside,
    goToRoom,
    hasStep,
    step,
    rewrite,
    acceptFinding,
  }
})
