import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { FolderRows } from '../../core/exchange/folder/recordFiles'
import type { SchoolFolder } from '../../core/exchange/folder/schoolFolder'
import type { KeptSentence } from '../../core/narrative/keptSentence'
import type { Phrase } from '../../core/narrative/phrase'
import { signInKey } from '../access/signInKey'
import { setLockAside } from './lockSetAside'
import { fingerprintOf } from './photos'
import { phraseColumns } from './schoolSetup'
import { addTerm, addYear, carryTermWeights } from './setUpSchool'
import { studentRowOfFolder } from './studentColumns'
import { choiceRows } from './takers'

/** What the rows of a folder are known by, as the database knows them. */
interface Keys {
  readonly people: ReadonlyMap<string, string>
  readonly students: ReadonlyMap<string, string>
  readonly classes: ReadonlyMap<string, string>
  readonly terms: ReadonlyMap<string, string>
  readonly work: ReadonlyMap<string, string>
}

/** People and children of a folder who are here already, under the same sign-in name or number. */
export async function loadKnown(
  db: Knex,
  { people, students }: Pick<FolderRows, 'people' | 'students'>,
): Promise<{
  people: { id: string; signIn: string; given: string; family: string }[]
  students: { id: string; number: string; given: string; used: string; family: string }[]
}> {
  const signIns = people.map(({ signIn }) => signInKey(signIn))
  const numbers = students.map(({ number }) => number)
  const { rows: knownPeople } = await db.raw<{
    rows: { id: string; signIn: string; given: string; family: string }[]
  }>(
    `select id, sign_in as "signIn", given_name as given, family_name as family from person
     where sign_in = any(:signIns)`,
    { signIns },
  )
  const { rows: knownStudents } = await db.raw<{
    rows: { id: string; number: string; given: string; used: string; family: string }[]
  }>(
    `select id, school_number as number, legal_given as given, used_name as used, family from student
     where school_number = any(:numbers)`,
    { numbers },
  )
  return { people: knownPeople, students: knownStudents }
}

/** Adds a school year with everything that its folder holds. Who is here already is the same person or child. */
export async function addFolder(trx: Knex.Transaction, folder: SchoolFolder): Promise<void> {
  const { year, setup, retired, rows } = folder
  await setLockAside(trx)
  const yearId = await addYear(trx, year, setup, retired)
  const terms = new Map<string, string>()
  for (const each of year.terms) terms.set(each.name, await addTerm(trx, { ...each, yearId }))
  await carryTermWeights(trx, yearId, terms)
  const classes = new Map(rows.classes.map(({ name }) => [name, randomUUID()] as const))
  const work = new Map(rows.work.map(({ id }) => [id, randomUUID()] as const))
  const keys: Keys = { ...(await addPeople(trx, rows)), classes, terms, work }
  await insertAll(
    trx,
    'class_room',
    rows.classes.map(({ name, group }) => ({ id: classes.get(name), year_id: yearId, name, subject: group })),
  )
  await addClasses(trx, rows, keys)
  await insertAll(trx, 'subject_choice', choiceRows(rows.choices, { yearId, students: keys.students }))
  await addResults(trx, rows, keys)
  await addWritten(trx, folder, keys)
  await addOwnPhrases(trx, folder.ownPhrases, yearId, keys)
}

async function addPeople(trx: Knex.Transaction, rows: FolderRows): Promise<Pick<Keys, 'people' | 'students'>> {
  const known = await loadKnown(trx, rows)
  const people = new Map(known.people.map(({ id, signIn }) => [signIn, id] as const))
  const students = new Map(known.students.map(({ id, number }) => [number, id] as const))
  const newPeople = rows.people.filter(({ signIn }) => !people.has(signInKey(signIn)))
  const newStudents = rows.students.filter(({ number }) => !students.has(number))
  for (const { signIn } of newPeople) people.set(signInKey(signIn), randomUUID())
  for (const { number } of newStudents) students.set(number, randomUUID())
  await insertAll(
    trx,
    'person',
    newPeople.map((person) => ({
      id: people.get(signInKey(person.signIn)),
      sign_in: signInKey(person.signIn),
      given_name: person.given,
      family_name: person.family,
      role: person.role,
      grade_from: person.grades?.from ?? null,
      grade_to: person.grades?.to ?? null,
      switched_off: person.switchedOff,
      session_epoch: 1,
    })),
  )
  await insertAll(
    trx,
    'person_setting',
    newPeople
      .filter(({ settings }) => Object.keys(settings).length > 0)
      .map(({ signIn, settings }) => ({ person_id: people.get(signInKey(signIn)), settings })),
  )
  await insertAll(
    trx,
    'student',
    newStudents.map((student) => ({
      id: students.get(student.number),
      ...studentRowOfFolder(student),
    })),
  )
  const fresh = new Map(newStudents.map(({ number }) => [number, 0]))
  await insertAll(
    trx,
    'contact',
    rows.contacts
      .filter(({ number }) => fresh.has(number))
      .map(({ number, ...contact }) => {
        const position = fresh.get(number) ?? 0
        fresh.set(number, position + 1)
        return { ...contact, id: randomUUID(), student_id: students.get(number), position }
      }),
  )
  return { people, students }
}

async function addClasses(trx: Knex.Transaction, rows: FolderRows, keys: Keys): Promise<void> {
  await insertAll(
    trx,
    'enrolment',
    rows.enrolments.map(({ room, number, place, grade, from, to }) => ({
      class_id: keys.classes.get(room),
      student_id: keys.students.get(number),
      position: place,
      grade_level: grade,
      from_day: from,
      to_day: to,
    })),
  )
  await insertAll(
    trx,
    'teaching',
    rows.teaching.map(({ room, subject, person, secondReader, from, to }) => ({
      id: randomUUID(),
      person_id: keys.people.get(signInKey(person)),
      class_id: keys.classes.get(room),
      subject,
      second_reader: secondReader,
      from_day: from,
      to_day: to,
    })),
  )
  await insertAll(
    trx,
    'category',
    rows.categories.map(({ room, isExam, ...category }) => ({
      ...category,
      class_id: keys.classes.get(room),
      is_exam: isExam,
    })),
  )
}

/** Where a row about a child in a term belongs. */
function placeIn(keys: Keys) {
  return ({ term, number }: { term: string; number: string }) => ({
    term_id: keys.terms.get(term),
    student_id: keys.students.get(number),
  })
}

async function addResults(trx: Knex.Transaction, rows: FolderRows, keys: Keys): Promise<void> {
  await insertAll(
    trx,
    'work',
    rows.work.map(({ id, room, term, date, outOf, ...work }) => ({
      ...work,
      id: keys.work.get(id),
      class_id: keys.classes.get(room),
      term_id: keys.terms.get(term),
      done_on: date,
      out_of: outOf,
    })),
  )
  await insertAll(
    trx,
    'result',
    rows.results.map(({ work, number, ...result }) => ({
      ...result,
      work_id: keys.work.get(work),
      student_id: keys.students.get(number),
    })),
  )
  await addBehindResults(trx, rows, keys)
  const ofTerm = placeIn(keys)
  await insertAll(
    trx,
    'settled_mark',
    rows.marks.map(({ subject, percent, special, reason, proposed, ...place }) => ({
      ...ofTerm(place),
      subject,
      percent,
      special,
      reason,
      proposed,
    })),
  )
  for (const [kind, levels] of [
    ['skill', rows.levels],
    ['habit', rows.habitScores],
  ] as const)
    await insertAll(
      trx,
      'settled_level',
      levels.map(({ about, symbol, proposed, ...place }) => ({ ...ofTerm(place), kind, about, symbol, proposed })),
    )
  await insertAll(
    trx,
    'attendance',
    rows.attendance.map(({ daysOpen, absences, lates, ...place }) => ({
      ...ofTerm(place),
      days_open: daysOpen,
      absences,
      lates,
    })),
  )
}

async function addBehindResults(trx: Knex.Transaction, rows: FolderRows, keys: Keys): Promise<void> {
  await insertAll(
    trx,
    'question',
    rows.questions.map(({ work, outOf, ...question }) => ({
      ...question,
      work_id: keys.work.get(work),
      out_of: outOf,
    })),
  )
  await insertAll(
    trx,
    'answer',
    rows.answers.map(({ work, number, question, score }) => ({
      work_id: keys.work.get(work),
      number: question,
      student_id: keys.students.get(number),
      score,
    })),
  )
  const ofTerm = placeIn(keys)
  await insertAll(
    trx,
    'practice',
    rows.practice.map(({ program, kind, name, amount, beside, ...place }) => ({
      ...ofTerm(place),
      program,
      kind,
      name,
      amount,
      beside,
    })),
  )
  await insertAll(
    trx,
    'register_day',
    rows.register.map(({ number, ...cell }) => ({ ...cell, student_id: keys.students.get(number) })),
    'keeping what is there',
  )
  await insertAll(
    trx,
    'photo',
    rows.photos.map(({ number, jpeg }) => ({
      student_id: keys.students.get(number),
      jpeg,
      fingerprint: fingerprintOf(jpeg),
    })),
    'keeping what is there',
  )
}

async function addWritten(trx: Knex.Transaction, { rows, year }: SchoolFolder, keys: Keys): Promise<void> {
  const ofTerm = placeIn(keys)
  await insertAll(
    trx,
    'observation',
    rows.notes.map(({ day, kind, about, symbol, text, mayTell, by, ...place }) => ({
      ...ofTerm(place),
      id: randomUUID(),
      day,
      about_kind: kind || null,
      about: kind === 'work' ? (keys.work.get(about) ?? about) : about,
      symbol,
      text,
      may_tell: mayTell,
      written_by: by === null ? null : keys.people.get(signInKey(by)),
    })),
  )
  const { rows: versions } = await trx.raw<{ rows: { version: number }[] }>(
    `select nextval('comment_version') as version from generate_series(1, ?)`,
    [rows.comments.length],
  )
  const termCalled = new Map([...keys.terms].map(([name, id]) => [`${year.name} · ${name}`, id]))
  await insertAll(
    trx,
    'comment',
    rows.comments.map(({ box, text, sentences, ownWords, status, ...place }, at) => ({
      ...ofTerm(place),
      box,
      text,
      sentences: sentences.map((sentence) => inTheirTerms(sentence, termCalled)),
      own_words: ownWords,
      status,
      version: versions[at]?.version,
    })),
  )
  await insertAll(
    trx,
    'accepted_finding',
    rows.accepted.map(({ box, check, found, by, ...place }) => ({
      ...ofTerm(place),
      box,
      check_name: check,
      words: found,
      person_id: keys.people.get(signInKey(by)),
    })),
  )
}

/** What is kept with a sentence names terms by what they are called in a folder, and by their ids here. */
function inTheirTerms(sentence: KeptSentence, termCalled: ReadonlyMap<string, string>): KeptSentence {
  const because = sentence.because.map((fact) => {
    const { termId } = fact
    return termId === undefined ? fact : { ...fact, termId: termCalled.get(termId) ?? termId }
  })
  return { ...sentence, because }
}

async function addOwnPhrases(
  trx: Knex.Transaction,
  phrases: readonly Phrase[],
  yearId: string,
  keys: Keys,
): Promise<void> {
  await insertAll(
    trx,
    'phrase',
    phrases.map((phrase, position) => ({
      ...phraseColumns(phrase),
      year_id: yearId,
      id: phrase.id,
      position,
      owner: keys.people.get(signInKey(phrase.owner ?? '')),
    })),
  )
}

/** So many rows in one statement. */
const atOnce = 2000

/** Inserts rows that all have the same columns. */
async function insertAll(
  trx: Knex.Transaction,
  table: string,
  rows: readonly object[],
  way: 'all new' | 'keeping what is there' = 'all new',
): Promise<void> {
  const columns = Object.keys(rows[0] ?? {})
    .map((column) => `"${column}"`)
    .join(', ')
  for (let from = 0; from < rows.length; from += atOnce)
    await trx.raw(
      `insert into "${table}" (${columns})
         select ${columns} from jsonb_populate_recordset(null::"${table}", :rows::jsonb)
         ${way === 'all new' ? '' : 'on conflict do nothing'}`,
      { rows: JSON.stringify(rows.slice(from, from + atOnce)) },
    )
}
