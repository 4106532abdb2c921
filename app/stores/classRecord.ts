import { defineStore } from 'pinia'
import type { News } from '~~/contracts/live'
import type { ClassAnswer, RunAnswer, SetupAnswer } from '~~/contracts/answers'
import type { CellsToKeep } from '~~/contracts/classList'
import type { PhotoToKeep, QuestionsToKeep } from '~~/contracts/evidence'
import type { WorkToWrite } from '~~/contracts/results'
import type { TakersToWrite } from '~~/contracts/takers'
import type { CheckKey } from '~~/core/record/checkKeys'
import type { GivenCell } from '~~/core/exchange/gradebook/planCells'
import { followEdits } from '~~/core/narrative/followEdits'
import { indexPhrases } from '~~/core/narrative/phraseIndex'
import { classRecordOf, type ClassRecord } from '~~/core/record/classRecord'
import { unpackComment, unpackTerm } from '~~/core/record/packedTerm'
import type { Student } from '~~/core/record/roster'
import type { Subject } from '~~/core/school/schoolSetup'
import type { LevelKind, StudentComment } from '~~/core/record/termRecord'
import { narrowSetup } from '~~/core/record/narrowSetup'
import { indexRecord } from '~~/core/record/recordIndex'
import { takersOf } from '~~/core/record/takers'
import { withResults } from '~~/core/record/resultPlaces'
import {
  withAccepted,
  withAnswers,
  withAttendance,
  withComment,
  withLevels,
  withMarks,
  withNote,
} from '~~/core/record/withWritten'
import { studentProgress, sumProgress } from '~~/core/terms/progress'
import { askServer } from '~/composables/useApi'
import type { Work } from '~/outbox/work'
import { recordWrites } from './recordWrites'
import { useSaving } from './saving'
import { useView } from './view'

type Loaded = Omit<ClassAnswer, 'term' | 'reads'> & { record: ClassRecord }

/** The class in view: everything the stages compute from, changed at once and sent in the background. */
export const useClassRecord = defineStore('classRecord', () => {
  const view = useView()
  const saving = useSaving()
  const answer = shallowRef<Loaded | null>(null)
  const runs = shallowRef<RunAnswer[]>([])
  const problem = ref<string | null>(null)
  /** What is told while the class is being read, for each reading that is under way. */
  const reading = new Set<News[]>()

  const record = computed(() => answer.value?.record ?? null)
  const may = computed(
    () =>
      answer.value?.may ?? {
        subjects: [],
        general: false,
        notes: false,
        photos: false,
        reports: false,
        phrasebook: false,
        locked: null,
        reopened: [],
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
  /** Those of the class who take the subject in view, and those who take that of the box. */
  const takers = computed(() => takersOf(record.value?.students ?? [], subject.value?.key ?? null))
  const boxTakers = computed(() => takersOf(record.value?.students ?? [], box.value?.subject ?? null))
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

  /**
   * Reads the class in view. What others change while it is read is shown over it; where this page itself has saved
   * something meanwhile, it is read once more: it might not be in what came.
   */
  async function load(): Promise<void> {
    for (let tries = 0; tries < 3; tries += 1) {
      const before = saving.ownCount()
      const meanwhile: News[] = []
      reading.add(meanwhile)
      await read()
      reading.delete(meanwhile)
      for (const news of meanwhile) putNews(news)
      if (saving.ownCount() === before) return
    }
  }

  async function read(): Promise<void> {
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
      showOutbox()
      runs.value = madeRuns
      // A thousand phrases are read once; better now, while nothing else is to do, than at the first draft.
      setTimeout(() => indexPhrases(setup.phrasebook), 300)
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error)
    }
  }

  /** Shows the record with a part of it exchanged. */
  function show(part: (now: ClassRecord) => Partial<ClassRecord>): void {
    const now = answer.value
    if (now) answer.value = { ...now, record: { ...now.record, ...part(now.record) } }
  }

  const putResults = (cells: readonly GivenCell[]): void =>
    show(({ results }) => ({ results: withResults(results, cells) }))
  const putComment = (comment: StudentComment): void => show((now) => withComment(now, comment))

  /** What this device has not been able to send yet is what its owner means: it stands over what was fetched. */
  function showOutbox(): void {
    for (const work of [...saving.waiting.map((entry) => entry.work), ...saving.pending.values()]) {
      if (!work.path.startsWith(`${place.value}/`)) continue
      if (work.kind === 'comment') putComment(work.body)
      if (work.kind === 'marks') show((now) => withMarks(now, work.body.marks))
      if (work.kind === 'results') putResults(work.body.results)
      if (work.kind === 'attendance') show((now) => withAttendance(now, work.body.attendance))
      if (work.kind === 'answers') show((now) => withAnswers(now, work.body.answers))
      if (work.kind === 'finding') show((now) => withAccepted(now, work.body))
      if (work.kind === 'note') show((now) => withNote(now, work.body))
      if (work.kind === 'levels') {
        for (const kind of ['skill', 'habit'] as const) {
          const cells = work.body.levels.filter((level) => level.kind === kind)
          show((now) => withLevels(now, kind, cells))
        }
      }
    }
  }

  /** Shows what others changed, but nothing over what this device has still to send. */
  function putNews(news: News): void {
    for (const meanwhile of reading) meanwhile.push(news)
    const now = answer.value
    if (!now) return
    const { marks, levels, results, attendance, comments } = news
    const of = (kind: LevelKind) => levels.filter((each) => each.kind === kind)
    if (marks.length > 0) show((record) => withMarks(record, marks))
    for (const kind of ['skill', 'habit'] as const) {
      if (of(kind).length > 0) show((record) => withLevels(record, kind, of(kind)))
    }
    if (results.length > 0) putResults(results)
    if (attendance.length > 0) show((record) => withAttendance(record, attendance))
    putComments(comments.map((comment) => unpackComment(comment, now.record.term.id)))
    showOutbox()
  }

  function nameOf(studentId: string): string {
    return index.value?.student(studentId)?.usedName ?? ''
  }

  function send(work: Work, when: 'now' | 'soon' = 'now', where = place.value): void {
    saving.save({ ...work, key: `${where} ${work.key}`, path: `${where}/${work.path}` }, when)
  }

  const writes = recordWrites({ index, place, show, putResults, nameOf, send })

  /** Does what is not shown before the server has done it, then shows the class as it is. */
  async function doAndShow(path: string, body: object): Promise<void> {
    await saving.flush()
    await saving.askFor('PUT', `${place.value}/${path}`, body)
    await load()
  }

  /** Adds, changes or takes away a piece of work. */
  const keepWork = (wanted: WorkToWrite): Promise<void> => doAndShow('work', wanted)
  /** Keeps the questions of a piece of work, with answers that come along. */
  const keepQuestions = (wanted: QuestionsToKeep): Promise<void> => doAndShow('questions', wanted)
  /** Keeps photos, or takes them away. */
  const keepPhotos = (photos: PhotoToKeep[]): Promise<void> => doAndShow('photos', { photos })
  /** Says who takes a subject. */
  const keepTakers = (wanted: TakersToWrite): Promise<void> => doAndShow('takers', wanted)
  /** Takes a list in, as one change. */
  const takeListIn = (cells: CellsToKeep): Promise<void> => doAndShow('cells', cells)

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
  function acceptFinding(studentId: string, key: string, check: CheckKey, words: string): void {
    if (!record.value) return
    const body = { studentId, box: key, check, words, right: true }
    show((now) => withAccepted(now, body))
    const what = `A finding in ${nameOf(studentId)}’s comment`
    send({ kind: 'finding', key: `accepted ${studentId} ${key} ${check} ${words}`, path: 'accepted', what, body })
  }

  /** Shows comments as the server has them, but none over what is still being typed here, or came later. */
  function putComments(comments: readonly StudentComment[]): void {
    for (const comment of comments) {
      const { studentId, box: key, version } = comment
      const isOlder = version < (index.value?.commentOf(studentId, key)?.version ?? 0)
      if (!isOlder && !saving.isInOutbox(commentKey(studentId, key))) putComment(comment)
    }
  }

  /** Turns to a comment box; the subject in view goes along. */
  function chooseBox(key: string): void {
    view.kept.box = key
    const subjectOfBox = record.value?.boxes.find((each) => each.key === key)?.subject
    if (subjectOfBox) view.kept.subject = subjectOfBox
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
    takers,
    boxTakers,
    runs,
    progress,
    total,
    problem,
    load,
    ...writes,
    keepWork,
    keepQuestions,
    keepPhotos,
    keepTakers,
    takeListIn,
    writeComment,
    commentKey,
    putComments,
    putNews,
    chooseBox,
    rewrite,
    acceptFinding,
  }
})
