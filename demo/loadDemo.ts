import { readdir, readFile } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import type { Knex } from 'knex'
import { FolderReader } from '../core/exchange/folder/folderReader'
import { readClassFolder } from '../core/exchange/folder/readClassFolder'
import { readStudents, studentOf } from '../core/exchange/folder/readStudentFiles'
import { problemText } from '../core/exchange/files/problem'
import { followEdits } from '../core/narrative/followEdits'
import { markProposal } from '../core/record/markProposal'
import { indexRecord } from '../core/record/recordIndex'
import type { ClassRecord } from '../core/record/classRecord'
import type { Student } from '../core/record/roster'
import type { StudentComment } from '../core/record/termRecord'
import { demoMark, setMark } from '../server/data/databaseMark'
import { askerOf, hashPassword } from '../server/data/people'
import type { Context, Place } from '../server/services/context'
import { demoDay } from './demoDay'
import { applyFile, bringFile, planFile } from '../server/services/gather'
import { settleLevels, settleMarks } from '../server/services/settle'
import { addClass, addRoom, addTerm, addYear } from '../server/data/setUpSchool'
import { readableRecord } from '../server/services/viewClass'
import { makeDrafts, writeComment } from '../server/services/write'

type Files = Map<string, Uint8Array>

const here = fileURLToPath(new URL('.', import.meta.url))

const yearEnds = '2027-06-16'

/**
 * Loads Larkhollow School into an empty database: the school's own set-up, then everything else through the same
 * services, in the name of its teachers, as if they had done it by hand.
 */
export async function loadDemo(db: Knex.Transaction): Promise<void> {
  const classFiles = await readFolder(`${here}batch`)
  const schoolFiles = new FolderReader(await readFolder(`${here}school`))
  const { record, problems } = readClassFolder(classFiles)
  if (!record) throw new Error(`The demo's own files are wrong:\n${problems.map(problemText).join('\n')}`)
  const people = await addPeople(db, schoolFiles)
  await db('standing_day').insert({ day: demoDay })
  const before = record.earlier[0]?.term ?? fail('The demo needs a term before.')
  const year = { name: record.term.year, starts: before.starts, ends: yearEnds }
  const yearId = await addYear(db, year, record)
  const autumn = await addTerm(db, { ...before, yearId, locks: year.ends })
  const winter = await addTerm(db, { ...record.term, yearId })
  const juniper = await addClass(db, { yearId, name: record.classRoom.name }, record.students, record.categories)
  const rowan = await addClass(
    db,
    { yearId, name: '6 Rowan' },
    readStudents(schoolFiles, 'students-6-rowan.csv'),
    record.categories,
  )
  const groups = await addGroups(db, schoolFiles, yearId, new Map([...juniper.studentIds, ...rowan.studentIds]))
  await addTeaching(
    db,
    schoolFiles,
    people,
    new Map([['5 Juniper', juniper.classId], ['6 Rowan', rowan.classId], ...groups]),
  )

  const as = async (signIn: string): Promise<Context> => ({
    db,
    today: demoDay,
    ...((await askerOf(db, people.get(signIn) ?? '', null)) ?? fail(`There is no ${signIn}.`)),
  })
  const ines = await as('ines')
  const tobias = await as('tobias')
  const now = { classId: juniper.classId, termId: winter }
  const last = { classId: juniper.classId, termId: autumn }
  await loadAutumn({ ines, tobias }, last, schoolFiles, { record, ids: juniper.studentIds })
  await gatherWinter({ ines, tobias }, now, classFiles)
  await settleWinter({ ines, tobias }, now, record, juniper.studentIds)
  await addSurroundings(db, now, { record, ids: juniper.studentIds, writer: idOf(people, 'ines') })
  await writeWinter({ ines, tobias }, now)
  // Last term is over: from now on nothing of it can be changed.
  await db('term').where({ id: autumn }).update({ locks: before.locks })
  await setMark(db, demoMark)
}

/** 5 Juniper as its folder has it, and the ids of its students by school number. */
interface Juniper {
  record: ClassRecord
  ids: Map<string, string>
}

interface Teachers {
  ines: Context
  tobias: Context
}

async function loadAutumn(
  { ines, tobias }: Teachers,
  place: Place,
  files: FolderReader,
  { record, ids }: Juniper,
): Promise<void> {
  const marks = (record.earlier[0]?.marks ?? []).map(({ studentId, subject, ...mark }) => ({
    studentId: idOf(ids, studentId),
    subject,
    mark,
    was: null,
  }))
  await settleMarks(
    ines,
    place,
    marks.filter((mark) => mark.subject !== 'music'),
  )
  await settleMarks(
    tobias,
    place,
    marks.filter((mark) => mark.subject === 'music'),
  )
  await rate({ ines, tobias }, place, { record, ids }, record.earlier[0]?.levels ?? [])
  await score(ines, place, ids, record.earlier[0]?.habitScores ?? [])
  for (const row of files.records('comments-autumn.csv', ['number', 'box', 'text'])) {
    const student = studentOf(files, 'comments-autumn.csv', row, record.students)
    if (student)
      await writeComment(ines, place, {
        studentId: idOf(ids, student.id),
        box: row.get('box'),
        text: row.get('text'),
        sentences: [],
        ownWords: true,
        status: 'finished',
        version: 0,
      })
  }
}

async function gatherWinter({ ines, tobias }: Teachers, place: Place, files: Files): Promise<void> {
  for (const [name, bytes] of files) {
    const subject = /^gradebook-(.+)\.csv$/.exec(name)?.[1]
    if (subject === undefined) continue
    const teacher = subject === 'music' ? tobias : ines
    const file = await bringFile(teacher, place, subject, { name, bytes })
    const { fingerprint } = await planFile(teacher, file.id, file.mapping)
    await applyFile(teacher, file.id, file.mapping, fingerprint)
  }
}

/** Most is settled: all subjects but music take the proposal, save what the demo's teachers decided otherwise. */
async function settleWinter(
  { ines, tobias }: Teachers,
  place: Place,
  record: ClassRecord,
  ids: Map<string, string>,
): Promise<void> {
  const index = indexRecord(await readableRecord(ines, place))
  const decided = record.marks.map(({ studentId, subject, ...mark }) => ({
    studentId: idOf(ids, studentId),
    subject,
    mark,
    was: null,
  }))
  const isDecided = new Set(decided.map((mark) => `${mark.studentId} ${mark.subject}`))
  const proposed = record.students.flatMap((student, position) =>
    ['mathematics', 'writing', 'science', 'art'].flatMap((subject) => {
      const studentId = idOf(ids, student.id)
      const { percent } = markProposal(index, studentId, subject).computed
      // A few are left open, as in any class nine days before the comments are due.
      const open =
        percent === null || isDecided.has(`${studentId} ${subject}`) || (subject === 'art' && position % 5 === 2)
      return open ? [] : [{ studentId, subject, mark: { percent, special: null, reason: null }, was: null }]
    }),
  )
  await settleMarks(ines, place, [...proposed, ...decided])
  await rate({ ines, tobias }, place, { record, ids }, record.levels)
  await score(ines, place, ids, record.habitScores)
}

async function score(
  ines: Context,
  place: Place,
  ids: Map<string, string>,
  scores: ClassRecord['habitScores'],
): Promise<void> {
  const cells = scores.map(({ studentId, about, symbol }) => ({
    studentId: idOf(ids, studentId),
    kind: 'habit' as const,
    about,
    symbol,
    was: null,
  }))
  if (cells.length > 0) await settleLevels(ines, place, cells)
}

async function rate(
  { ines, tobias }: Teachers,
  place: Place,
  { record, ids }: Juniper,
  levels: ClassRecord['levels'],
): Promise<void> {
  const music = new Set(record.skills.filter((skill) => skill.subject === 'music').map((skill) => skill.id))
  const cells = levels.map((level) => ({
    studentId: idOf(ids, level.studentId),
    kind: 'skill' as const,
    about: level.about,
    symbol: level.symbol,
    was: null,
  }))
  await settleLevels(
    ines,
    place,
    cells.filter((cell) => !music.has(cell.about)),
  )
  await settleLevels(
    tobias,
    place,
    cells.filter((cell) => music.has(cell.about)),
  )
}

/** Half of the comments stand: the general ones and mathematics for the whole class, some of them finished by hand. */
async function writeWinter({ ines }: Teachers, place: Place): Promise<void> {
  const drafted = await makeDrafts(ines, place, { box: 'mathematics', where: 'empty' })
  const general = await makeDrafts(ines, place, { box: 'general', where: 'empty' })
  await makeDrafts(ines, place, { box: 'science', where: 'empty' })
  await addSlips(ines, place, general.comments)
  for (const comment of drafted.comments.slice(0, 9)) {
    await writeComment(ines, place, { ...comment, status: 'finished' })
  }
  const [first] = drafted.comments.slice(9)
  if (first) {
    await writeComment(ines, place, {
      ...first,
      text: `${first.text} Our walk along the weir was a good day.`,
      ownWords: true,
    })
  }
}

/** Slips as they happen late in the evening, for the checks to find. */
async function addSlips(ines: Context, place: Place, general: readonly StudentComment[]): Promise<void> {
  const slips: [number, (text: string) => string][] = [
    [3, (text) => `${text} We look forward to to spring.`],
    [8, (text) => text.replace(/ She (?!.* She )/, ' He ')],
    [6, (text) => `${text} In the river week, Omar and Will built a fine dam.`],
    [20, (text) => `${text} After the days in hospital she soon caught up.`],
  ]
  for (const [at, slip] of slips) {
    const comment = general[at]
    if (comment)
      await writeComment(ines, place, {
        ...comment,
        text: slip(comment.text),
        ownWords: true,
        sentences: followEdits(comment.sentences, comment.text, slip(comment.text)),
      })
  }
}

async function addSurroundings(
  db: Knex,
  place: Place,
  { record, ids, writer }: Juniper & { writer: string },
): Promise<void> {
  await db('attendance').insert(
    record.attendance.map((days) => ({
      student_id: idOf(ids, days.studentId),
      term_id: place.termId,
      days_open: days.daysOpen,
      absences: days.absences,
      lates: days.lates,
    })),
  )
  await db('observation').insert(
    record.observations.map((note) => ({
      student_id: idOf(ids, note.studentId),
      term_id: place.termId,
      day: note.date,
      about_kind: note.kind,
      about: note.about,
      text: note.text,
      may_tell: note.mayTell,
      written_by: writer,
    })),
  )
}

async function addPeople(db: Knex, files: FolderReader): Promise<Map<string, string>> {
  const ids = new Map<string, string>()
  for (const row of files.records('people.csv', ['sign-in', 'given name', 'family name', 'role', 'password'])) {
    const [person] = await db('person')
      .insert({
        sign_in: row.get('sign-in'),
        password_hash: await hashPassword(row.get('password')),
        given_name: row.get('given name'),
        family_name: row.get('family name'),
        role: row.get('role') === 'coordinator' ? 'coordinator' : 'teacher',
      })
      .returning<{ id: string }[]>('id')
    ids.set(row.get('sign-in'), person?.id ?? '')
  }
  return ids
}

/** Groups of children out of both classes, each in the order of the file. @returns their ids by name */
async function addGroups(
  db: Knex,
  files: FolderReader,
  yearId: string,
  ids: ReadonlyMap<string, string>,
): Promise<Map<string, string>> {
  const groups = new Map<string, string>()
  for (const [position, row] of files.records('groups.csv', ['group', 'subject', 'number']).entries()) {
    const [name, number] = [row.get('group'), row.get('number')]
    if (!groups.has(name)) groups.set(name, await addRoom(db, { yearId, name, subject: row.get('subject') }))
    const [classId = '', student_id = fail(`Nobody has the number ${number}.`)] = [groups.get(name), ids.get(number)]
    const { grade_level } =
      (await db('enrolment').where({ student_id }).first('grade_level')) ?? fail('A child of a group is in no class.')
    await db('enrolment').insert({ class_id: classId, student_id, position, grade_level })
  }
  return groups
}

async function addTeaching(
  db: Knex,
  files: FolderReader,
  people: Map<string, string>,
  classes: Map<string, string>,
): Promise<void> {
  await db('teaching').insert(
    files.records('teaching.csv', ['class', 'sign-in', 'subject']).map((row) => ({
      person_id: people.get(row.get('sign-in')) ?? fail('Somebody teaches who is not there.'),
      class_id: classes.get(row.get('class')) ?? fail('There is no such class.'),
      subject: row.get('subject') || null,
    })),
  )
}

async function readFolder(path: string): Promise<Files> {
  const names = await readdir(path)
  return new Map(await Promise.all(names.map(async (name) => [name, await readFile(`${path}/${name}`)] as const)))
}

function idOf(ids: Map<string, string>, number: Student['id']): string {
  return ids.get(number) ?? fail(`There is no student ${number}.`)
}

function fail(message: string): never {
  throw new Error(message)
}
