import { defineStore } from 'pinia'
import type { ClassAnswer, RunAnswer } from '~~/contracts/answers'
import { indexPhrases } from '~~/core/narrative/phraseIndex'
import { followEdits } from '~~/core/narrative/followEdits'
import type { ClassRecord, Student, StudentComment, Subject } from '~~/core/record/classRecord'
import { indexRecord } from '~~/core/record/recordIndex'
import type { SpecialValue } from '~~/core/scales/special'
import { studentProgress, sumProgress } from '~~/core/terms/progress'
import { askServer } from '~/composables/useApi'
import { useSaving } from './saving'
import { useView } from './view'

/** The class in view: everything the stages compute from, changed at once and sent in the background. */
export const useClassRecord = defineStore('classRecord', () => {
  const view = useView()
  const saving = useSaving()
  const answer = shallowRef<ClassAnswer | null>(null)
  const runs = shallowRef<RunAnswer[]>([])
  const problem = ref<string | null>(null)

  const record = computed(() => answer.value?.record ?? null)
  const may = computed(
    () => answer.value?.may ?? { subjects: [], general: false, reports: false, phrasebook: false, locked: null },
  )
  const index = computed(() => (record.value ? indexRecord(record.value) : null))
  const place = computed(() => `/api/classes/${view.kept.classId}/${view.kept.termId}`)
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
    if (!view.kept.classId || !view.kept.termId) await view.loadDesk()
    try {
      problem.value = null
      const [loaded, madeRuns] = await Promise.all([
        askServer<ClassAnswer>('GET', place.value),
        askServer<RunAnswer[]>('GET', `${place.value}/runs`),
      ])
      answer.value = loaded
      runs.value = madeRuns
      // A thousand phrases are read once; better now, while nothing else is to do, than at the first draft.
      setTimeout(() => indexPhrases(loaded.record.phrasebook), 300)
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error)
    }
  }

  function change(part: Partial<ClassRecord>): void {
    if (answer.value) answer.value = { ...answer.value, record: { ...answer.value.record, ...part } }
  }

  /** Settles a mark at once on the screen and then on the server; null takes it back. */
  function settleMarks(
    marks: {
      studentId: string
      subject: string
      mark: { percent: number | null; special: SpecialValue | null; reason: string | null } | null
    }[],
  ): void {
    if (!record.value) return
    const changed = new Set(marks.map((each) => `${each.studentId} ${each.subject}`))
    const kept = record.value.marks.filter((each) => !changed.has(`${each.studentId} ${each.subject}`))
    change({
      marks: [
        ...kept,
        ...marks.flatMap(({ studentId, subject: key, mark }) => (mark ? [{ studentId, subject: key, ...mark }] : [])),
      ],
    })
    const [only] = marks
    saving.save({
      key: marks.length === 1 && only ? `mark ${only.studentId} ${only.subject}` : `marks ${Date.now()}`,
      method: 'PUT',
      path: `${place.value}/marks`,
      body: { marks },
    })
  }

  function settleLevels(
    kind: 'skill' | 'habit',
    cells: { studentId: string; about: string; symbol: string | null }[],
  ): void {
    if (!record.value) return
    const part = kind === 'skill' ? 'levels' : 'habitScores'
    const changed = new Set(cells.map((each) => `${each.studentId} ${each.about}`))
    const kept = record.value[part].filter((each) => !changed.has(`${each.studentId} ${each.about}`))
    change({
      [part]: [
        ...kept,
        ...cells.flatMap(({ studentId, about, symbol }) => (symbol === null ? [] : [{ studentId, about, symbol }])),
      ],
    })
    // Cells typed one after another go out together, when the typing pauses.
    const key = `levels ${place.value}`
    const unsent = (saving.unsent(key)?.levels ?? []) as { studentId: string; about: string }[]
    const levels = [
      ...unsent.filter((each) => !changed.has(`${each.studentId} ${each.about}`)),
      ...cells.map((cell) => ({ ...cell, kind })),
    ]
    saving.save(
      { key, method: 'PUT', path: `${place.value}/levels`, body: { levels } },
      cells.length === 1 ? 'soon' : 'now',
    )
  }

  /** Shows a comment at once, keeps it on this device, and sends it: soon while the next keystroke may follow. */
  function writeComment(comment: StudentComment, when: 'now' | 'soon' = 'now'): void {
    if (!record.value) return
    putComment(comment)
    const key = `comment ${comment.studentId} ${comment.box}`
    saving.save({ key, method: 'PUT', path: `${place.value}/comment`, body: { ...comment } }, when, ({ version }) => {
      const now = index.value?.commentOf(comment.studentId, comment.box)
      if (now && version !== undefined) putComment({ ...now, version })
      // What was typed meanwhile goes out on the version that is saved now.
      const next = saving.waiting.find((each) => each.key === key)
      if (next && version !== undefined) next.body.version = version
    })
  }

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
    saving.save({
      key: `accepted ${studentId} ${key} ${check} ${words}`,
      method: 'PUT',
      path: `${place.value}/accepted`,
      body: { studentId, box: key, check, words, right: true },
    })
  }

  function putComments(comments: readonly StudentComment[]): void {
    comments.forEach(putComment)
  }

  /** Undoes the last change made here, then shows how things stand. */
  async function undoLast(): Promise<void> {
    if (saving.lastEvent === null) return
    await askServer('POST', `/api/events/${saving.lastEvent}/undo`)
    saving.lastEvent = null
    await load()
  }

  /** Turns to a comment box; the subject in view goes along. */
  function chooseBox(key: string): void {
    view.kept.box = key
    const subjectOfBox = record.value?.boxes.find((each) => each.key === key)?.subject
    if (subjectOfBox) view.kept.subject = subjectOfBox
  }

  /** Goes to the student before or after, in the order of the class list. */
  function step(by: 1 | -1): void {
    const students = record.value?.students ?? []
    const at = students.findIndex((each) => each.id === student.value?.id)
    const next = students[at + by]
    if (next) view.kept.studentId = next.id
  }

  return {
    answer,
    record,
    may,
    index,
    place,
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
    writeComment,
    putComments,
    undoLast,
    chooseBox,
    step,
    rewrite,
    acceptFinding,
  }
})
