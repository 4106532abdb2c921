import { defineStore } from 'pinia'
import type { ClassesAnswer, ListedStudent, RosterAnswer, StudentToMove } from '~~/contracts/classes'
import type {
  BoxRow,
  HabitRow,
  OwnSetupAnswer,
  ScaleRow,
  SchoolAndReport,
  SetupChange,
  SkillRow,
  SubjectRow,
} from '~~/contracts/ownSetup'
import type { ReopeningsAnswer, ReopeningToWrite } from '~~/contracts/reopenings'
import type { YearsAnswer, YearToFollow, YearToMake } from '~~/contracts/setUp'
import type { TermDays } from '~~/core/terms/schoolYear'
import { askServer } from '~/composables/useApi'
import { usePeople } from './people'
import { useSaving } from './saving'
import { useView } from './view'

/** Rows of the set-up that are changed one field at a time. */
/** A changed row with its kind. */
const changeOf: { [Kind in keyof SetupRows]: (row: SetupRows[Kind], was: SetupRows[Kind]) => SetupChange } = {
  subject: (row, was) => ({ kind: 'subject', row, was }),
  skill: (row, was) => ({ kind: 'skill', row, was }),
  habit: (row, was) => ({ kind: 'habit', row, was }),
  box: (row, was) => ({ kind: 'box', row, was }),
  scale: (row, was) => ({ kind: 'scale', row, was }),
}

interface SetupRows {
  subject: SubjectRow
  skill: SkillRow
  habit: HabitRow
  box: BoxRow
  scale: ScaleRow
}

/** The school's classes, days and set-up as the coordinator keeps them; every change can be undone. */
export const useOwnSchool = defineStore('ownSchool', () => {
  const view = useView()
  const saving = useSaving()
  const people = usePeople()
  const years = shallowRef<YearsAnswer['years']>([])
  const isDemo = ref(false)
  const year = shallowRef<ClassesAnswer | null>(null)
  const setup = shallowRef<OwnSetupAnswer | null>(null)
  const roster = shallowRef<RosterAnswer | null>(null)
  const classId = ref<string | null>(null)

  async function path(): Promise<string> {
    if (!view.desk) await view.loadDesk()
    return `/api/years/${view.schoolYear}`
  }

  async function loadYears(): Promise<void> {
    const answer = await askServer<YearsAnswer>('GET', '/api/years')
    years.value = answer.years
    isDemo.value = answer.demo
  }

  /** Looks at another year; what is shown of it comes anew. */
  async function chooseYear(id: string): Promise<void> {
    view.schoolYear = id
    await loadAll()
  }

  async function makeYear(wanted: YearToMake): Promise<void> {
    const { year: made } = await askServer<{ year: string }>('POST', '/api/years', wanted)
    await loadYears()
    await chooseYear(made)
  }

  /** Takes the year that is looked at away, and looks at the one before. */
  async function removeYear(): Promise<void> {
    await askServer('DELETE', await path())
    await loadYears()
    const before = years.value.at(-1)
    if (before) await chooseYear(before.id)
  }

  async function yearToFollow(): Promise<YearToFollow> {
    return askServer<YearToFollow>('GET', `${await path()}/next`)
  }

  async function loadYear(wanted = classId.value): Promise<void> {
    const found = await askServer<ClassesAnswer>('GET', `${await path()}/classes`)
    const chosen = found.classes.find((each) => each.id === wanted) ?? found.classes[0]
    await choose(chosen?.id ?? null)
    year.value = found
  }

  /** A class and its list change together: what is typed is never typed into the list of another. */
  async function choose(id: string | null): Promise<void> {
    const list = id === null ? null : await rosterOf(id)
    classId.value = id
    roster.value = list
  }

  /** The list of any class of the year. */
  async function rosterOf(id: string): Promise<RosterAnswer> {
    return askServer<RosterAnswer>('GET', `${await path()}/classes/${id}/students`)
  }

  async function loadSetup(): Promise<void> {
    setup.value = await askServer<OwnSetupAnswer>('GET', `${await path()}/setup/rows`)
  }

  /** Everything that is on the page, after something was undone. */
  async function loadAll(): Promise<void> {
    await Promise.all([
      people.answer ? people.load() : null,
      year.value ? loadYear() : null,
      setup.value ? loadSetup() : null,
    ])
  }

  async function change(rest: string, body: object, method: 'PUT' | 'POST' = 'PUT'): Promise<void> {
    await saving.askFor(method, `${await path()}${rest}`, body)
  }

  /** Adds a home class, or a group of a subject. */
  async function addClass(name: string, subject: string | null): Promise<void> {
    const id = crypto.randomUUID()
    await change('/classes', { id, name, was: null, subject })
    await loadYear(id)
  }

  async function nameClass(id: string, name: string | null, was: string): Promise<void> {
    await change('/classes', { id, name, was })
    await loadYear()
  }

  /** Takes students in behind those who are there, and changes some of these with it. */
  async function takeIn(
    students: readonly ListedStudent[],
    changed: Parameters<typeof writeStudents>[0] = [],
  ): Promise<void> {
    const from = Math.max(-1, ...(roster.value?.students ?? []).map((student) => student.position)) + 1
    await writeStudents([
      ...changed,
      ...students.map((student, nth) => ({ id: crypto.randomUUID(), student, was: null, position: from + nth })),
    ])
  }

  async function writeStudents(
    students: { id: string; student: ListedStudent | null; was: ListedStudent | null; position: number }[],
  ): Promise<void> {
    await change(`/classes/${classId.value}/students`, { students })
    await loadYear()
  }

  /** A student leaves the class that is chosen, for another or for none. */
  async function moveStudent(move: StudentToMove): Promise<void> {
    await change(`/classes/${classId.value}/moves`, move, 'POST')
    await loadYear()
  }

  async function writeTerm(id: string, term: TermDays | null, was: TermDays | null): Promise<void> {
    await change('/terms', { id, term, was })
    await loadYear()
  }

  async function loadReopenings(): Promise<ReopeningsAnswer> {
    return askServer<ReopeningsAnswer>('GET', `${await path()}/reopenings`)
  }

  async function writeReopening(wanted: ReopeningToWrite): Promise<void> {
    await change('/reopenings', wanted)
  }

  async function writeSetup(changes: SetupChange[]): Promise<void> {
    if (changes.length === 0) return
    await inTurn(() => sendSetup(changes))
  }

  async function sendSetup(changes: SetupChange[]): Promise<void> {
    await change('/setup/rows', { changes })
    await loadSetup()
  }

  /** One change after the other: each is made to what stands when its turn comes. */
  let turn: Promise<unknown> = Promise.resolve()
  function inTurn(work: () => Promise<void>): Promise<void> {
    const done = turn.then(work)
    turn = done.catch(() => undefined)
    saving.undoAfter(turn)
    return done
  }

  /**
   * Changes a part of a row: what was changed in it a moment before stays changed.
   * @param partOf the part, out of the row as it stands; null where nothing is to be changed
   */
  function changeRow<Kind extends keyof SetupRows>(
    kind: Kind,
    key: string,
    partOf: (was: SetupRows[Kind]) => Partial<SetupRows[Kind]> | null,
  ): Promise<void> {
    return inTurn(async () => {
      const was = rowsOf(kind).find((row) => ('id' in row ? row.id : row.key) === key)
      const part = was && partOf(was)
      if (part) await sendSetup([changeOf[kind]({ ...was, ...part }, was)])
    })
  }

  function rowsOf<Kind extends keyof SetupRows>(kind: Kind): readonly SetupRows[Kind][] {
    const { subjects = [], skills = [], habits = [], boxes = [], scales = [] } = setup.value ?? {}
    const rows: { [Of in keyof SetupRows]: readonly SetupRows[Of][] } = {
      subject: subjects,
      skill: skills,
      habit: habits,
      box: boxes,
      scale: scales,
    }
    return rows[kind]
  }

  /** Changes the school itself, its rules or its report. */
  async function writeSchool(part: Partial<SchoolAndReport>): Promise<void> {
    const was = setup.value?.school
    if (!was) return
    await change('/school', { school: { ...was, ...part }, was })
    await loadSetup()
  }

  return {
    years,
    isDemo,
    loadYears,
    chooseYear,
    makeYear,
    removeYear,
    yearToFollow,
    year,
    setup,
    roster,
    classId,
    loadYear,
    loadSetup,
    loadAll,
    addClass,
    nameClass,
    choose,
    rosterOf,
    takeIn,
    writeStudents,
    moveStudent,
    writeTerm,
    loadReopenings,
    writeReopening,
    writeSetup,
    changeRow,
    writeSchool,
  }
})
