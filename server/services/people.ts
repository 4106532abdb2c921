import type { Knex } from 'knex'
import type {
  InvitationAnswer,
  PeopleAnswer,
  PersonToWrite,
  Staff,
  TeachingToWrite,
  WelcomeAnswer,
} from '../../contracts/people'
import { allow, changesSchool } from '../access/grants'
import { Refusal } from '../access/refusal'
import { signInKey } from '../access/signInKey'
import type { Change, Row } from '../data/changes/changeableTables'
import { invitationBy, makeInvitation, useInvitation, type Invitation } from '../data/invitations'
import { endSessions, hashPassword, loadPerson } from '../data/people'
import { classAndYear, loadClasses } from '../data/places'
import { loadSchoolSetup, loadYears } from '../data/schoolSetup'
import { loadStaff, signsInElse } from '../data/staff'
import { save, setupOf, thisYear, yearOf, type Context } from './context'
import { passwordRefused } from './passwords'

/** The staff, with what each teaches in a year. */
export async function viewPeople(context: Context, yearId: string): Promise<PeopleAnswer> {
  const { db } = context
  allow(changesSchool(context.who), 'see the staff’s accounts')
  const { subjects } = await setupOf(context, yearId)
  const classes = await loadClasses(db, yearId)
  return {
    people: await loadStaff(db, yearId),
    classes: classes.map(({ classId, name, group }) => ({ id: classId, name, subject: group })),
    subjects: subjects.map(({ key, name }) => ({ key, name })),
    year: yearOf(context, yearId).name,
  }
}

/**
 * Takes people into the staff, or changes how they are kept, all or none; who is switched off is signed out everywhere.
 */
export async function writePeople(context: Context, people: readonly PersonToWrite[]): Promise<number | null> {
  const { db, who } = context
  allow(changesSchool(who), 'change the staff’s accounts')
  requireEachOnce(people)
  for (const each of people) await requirePossible(context, each)
  const [first] = people
  const kind =
    people.length > 1
      ? `changed ${people.length} accounts`
      : first?.was === null
        ? 'took somebody into the staff'
        : 'changed an account'
  const changes = people.map(({ id, person, was }): Change => ({
    table: 'person',
    key: { id },
    seen: was && staffRow(was),
    after: staffRow(person),
  }))
  const action = { classId: null, termId: null, kind, needs: ['school' as const] }
  const { event } = await save(context, action, changes, { show: (row) => row })
  for (const { id, person } of people) if (person.switchedOff) await endSessions(db, id)
  return event
}

function requireEachOnce(people: readonly PersonToWrite[]): void {
  const names = people.map(({ person }) => signInKey(person.signIn))
  const twice = names.find((name, at) => names.indexOf(name) !== at)
  if (twice === undefined) return
  throw new Refusal('invalid', `Two people would sign in as “${twice}”. Nothing was changed.`)
}

async function requirePossible(context: Context, { id, person }: PersonToWrite): Promise<void> {
  const { db } = context
  if (person.role === 'teacher' && person.grades) throw new Refusal('invalid', 'Only a coordinator coordinates grades.')
  const signIn = signInKey(person.signIn)
  if (await signsInElse(db, signIn, id)) {
    throw new Refusal('invalid', `Somebody else signs in as “${signIn}” already.`)
  }
}

function staffRow({ signIn, given, family, role, grades, switchedOff }: Staff): Row {
  return {
    sign_in: signInKey(signIn),
    given_name: given,
    family_name: family,
    role,
    grade_from: grades?.from ?? null,
    grade_to: grades?.to ?? null,
    switched_off: switchedOff,
  }
}

/** Makes a link with which somebody chooses a password, once; the password that they have holds until then. */
export async function invite({ db, who }: Context, personId: string): Promise<InvitationAnswer> {
  allow(changesSchool(who), 'invite staff')
  const person = await loadPerson(db, personId)
  if (!person) throw new Refusal('not found', 'There is no such person.')
  if (person.switched_off) throw new Refusal('invalid', 'This account is switched off. Switch it on first.')
  const { token, ends } = await makeInvitation(db, personId)
  return { path: `/welcome/${token}`, ends: ends.toISOString() }
}

/** Gives somebody a class or a subject in one, or takes it away. */
export async function writeTeaching(context: Context, { id, lesson, was }: TeachingToWrite): Promise<number | null> {
  allow(changesSchool(context.who), 'say who teaches what')
  if (lesson) await requireTaught(context, lesson)
  const row = (each: NonNullable<TeachingToWrite['was']>): Row => ({
    person_id: each.personId,
    class_id: each.classId,
    subject: each.subject,
    second_reader: each.secondReader,
    from_day: each.from,
    to_day: each.to,
  })
  const change = { table: 'teaching' as const, key: { id }, seen: was && row(was), after: lesson && row(lesson) }
  const action = { classId: null, termId: null, kind: 'changed who teaches what', needs: ['school' as const] }
  return (await save(context, action, [change])).event
}

async function requireTaught(context: Context, lesson: NonNullable<TeachingToWrite['lesson']>): Promise<void> {
  const room = await classAndYear(context.db, lesson.classId)
  if (!room) throw new Refusal('not found', 'There is no such class.')
  const { subjects } = await setupOf(context, room.year_id)
  if (room.subject !== null && room.subject !== lesson.subject)
    throw new Refusal('invalid', 'A group is taught its own subject and nothing else.')
  if (lesson.subject !== null && !subjects.some((subject) => subject.key === lesson.subject)) {
    throw new Refusal('not found', 'There is no such subject in this year.')
  }
}

/** Whom a link is for. @throws Refusal saying why it is good for nothing, and what to do */
export async function viewWelcome(db: Knex, token: string, today: string): Promise<WelcomeAnswer> {
  const { given, signIn } = await goodInvitation(db, token)
  return { given, signIn, school: await schoolName(db, today) }
}

/** Chooses the password that a link is for. */
export async function choosePassword(
  db: Knex,
  token: string,
  { password, address }: { password: string; address: string },
  today: string,
): Promise<void> {
  const { given, family, signIn } = await goodInvitation(db, token)
  passwordRefused(password, [given, family, signIn, await schoolName(db, today)])
  if (!(await useInvitation(db, token, await hashPassword(password, address)))) throw goneMeanwhile
}

const goneMeanwhile = new Refusal('conflict', 'This link has been used meanwhile. Sign in, or ask for a new link.')

async function goodInvitation(db: Knex, token: string): Promise<Invitation> {
  const invitation = await invitationBy(db, token)
  if (!invitation)
    throw new Refusal('not found', 'This link is not good (any more). Ask the coordinator for a new one.')
  if (invitation.state === 'used') throw goneMeanwhile
  if (invitation.state === 'over') {
    throw new Refusal('forbidden', 'This link has run out after a week. Ask the coordinator for a new one.')
  }
  return invitation
}

async function schoolName(db: Knex, today: string): Promise<string> {
  const years = await loadYears(db)
  return (await loadSchoolSetup(db, thisYear({ years, today }))).school.name
}
