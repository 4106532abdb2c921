import type {
  RetentionRule,
  ContactToWrite,
  RightsAnswer,
  StudentPrivacy,
  StudentToErase,
} from '../../contracts/privacy'
import type { KnownContact } from '../../core/exchange/lists/planContactList'
import { displayName } from '../../core/people/names'
import { allow, changesSchool } from '../access/grants'
import { rightsTable } from '../access/rightsTable'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { keepEvents } from '../data/changes/keptEvents'
import { loadContacts } from '../data/contacts'
import { loadErasures, loadOpenings, noteErasure } from '../data/openings'
import { keptForRow, loadKept } from '../data/retention'
import { studentsById } from '../data/rosters'
import { eraseStudentData, loadStudentData } from '../data/studentData'
import { inTransaction } from '../data/transactions'
import { save, type Context } from './context'

/** What families' data is looked after for. */
const forCare = { classId: null, termId: null, needs: ['school' as const] }

/** Who may see and change what, as the rules themselves answer. */
export async function viewRights({ db, who }: Context): Promise<RightsAnswer> {
  allow(changesSchool(who), 'see the school’s rights')
  return { ...rightsTable(), kept: await loadKept(db), erasures: await loadErasures(db) }
}

/** What the coordinator looks after for one child. */
export async function viewStudentPrivacy(context: Context, studentId: string): Promise<StudentPrivacy> {
  const { db } = context
  const student = await studentOf(context, studentId)
  const contacts = await loadContacts(db, { studentId })
  return {
    id: student.id,
    schoolNumber: student.school_number,
    name: displayName({ given: student.used_name, family: student.family }),
    contacts: contacts.map(({ studentId: _student, ...contact }) => contact),
    openings: await loadOpenings(db, studentId),
  }
}

/** Who is told of the children of a class. */
export async function viewContacts({ db, who }: Context, classId: string): Promise<KnownContact[]> {
  allow(changesSchool(who), 'look after the children’s contacts')
  return loadContacts(db, { classId })
}

/** Keeps people who are told of children, or takes them away, all or none. */
export async function writeContacts(context: Context, contacts: readonly ContactToWrite[]): Promise<number | null> {
  const { db, who } = context
  allow(changesSchool(who), 'look after the children’s contacts')
  const ids = [...new Set(contacts.map((each) => each.studentId))]
  if ((await studentsById(db, ids)).length < ids.length) throw new Refusal('not found', 'There is no such student.')
  const changes = contacts.map(({ id, studentId, contact, was }): Change => {
    const row = (each: NonNullable<ContactToWrite['contact']>): Row => ({ student_id: studentId, ...each })
    return { table: 'contact', key: { id }, seen: was && row(was), after: contact && row(contact) }
  })
  const kind = contacts.length === 1 ? 'changed a contact' : `changed ${contacts.length} contacts`
  return (await save(context, { ...forCare, kind }, changes)).event
}

/** For how many days things are kept that are not kept for ever. */
export async function setRetention(context: Context, { days, was }: RetentionRule): Promise<number | null> {
  allow(changesSchool(context.who), 'change what is kept')
  const change = {
    table: 'retention_rule' as const,
    key: { only_one: true },
    seen: keptForRow(was),
    after: keptForRow(days),
  }
  return (await save(context, { ...forCare, kind: 'changed how long things are kept' }, [change])).event
}

/** All that is kept of a student, as one open file. */
export async function studentFile(context: Context, studentId: string): Promise<{ name: string; text: string }> {
  const student = await studentOf(context, studentId)
  const tables = await loadStudentData(context.db, studentId)
  const openings = await loadOpenings(context.db, studentId)
  const file = { format: 'facunda student data 1', made: new Date().toISOString(), tables, openings }
  return { name: `${student.school_number}.json`, text: `${JSON.stringify(file, null, 2)}\n` }
}

/**
 * Erases a student for good, with the reason: of all that was kept only the fact remains. The school number, typed
 * once more, is the question whether this is the child that is meant; there is no undo.
 */
export async function eraseStudent(
  context: Context,
  studentId: string,
  { reason, schoolNumber }: StudentToErase,
): Promise<void> {
  const student = await studentOf(context, studentId)
  if (student.school_number !== schoolNumber) {
    throw new Refusal('invalid', `This is not the child’s school number. Nothing was erased.`)
  }
  await inTransaction(context.db, async (trx) => {
    // First, so that the name goes from the reason too.
    await noteErasure(trx, { personId: context.who.personId, reason })
    await eraseStudentData(trx, studentId)
    const action = { personId: context.who.personId, classId: null, termId: null, kind: 'erased a student', needs: [] }
    await keepEvents(trx, [{ action, changes: [] }])
  })
}

async function studentOf({ db, who }: Context, id: string) {
  allow(changesSchool(who), 'look after a child’s data')
  const [student] = await studentsById(db, [id])
  if (!student) throw new Refusal('not found', 'There is no such student.')
  return student
}
