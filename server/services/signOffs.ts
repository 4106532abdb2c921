import type { LaterChange, SignOff, SignOffToWrite } from '../../contracts/signOffs'
import { netChanges } from '../../core/terms/netChanges'
import type { SchoolSetup } from '../../core/school/schoolSetup'
import { allow, grantsIn, needFor } from '../access/grants'
import { databaseClock } from '../data/eventNews'
import { loadPlace } from '../data/places'
import { childrenOf } from '../data/register'
import { loadChangesSince, loadSignOffs, type LaterRow } from '../data/signOffs'
import { subjectsOfWork } from '../data/works'
import { openPlace, save, setupOf, type Context, type Place } from './context'

/** What of a class is signed off, as far as the asker reads it, and what has been changed since. */
export async function viewSignOffs(context: Context, place: Place): Promise<SignOff[]> {
  const { db } = context
  const { room, term } = await loadPlace(db, place)
  const grants = grantsIn(context.who, room)
  allow(grants.readsClass, 'see this class')
  const signOffs = (await loadSignOffs(db, place)).filter(({ subject }) => grants.sees('comment', subject))
  if (signOffs.length === 0) return []
  const [setup, students, works] = await Promise.all([
    setupOf(context, term.yearId),
    childrenOf(db, place, context.today),
    subjectsOfWork(db, place),
  ])
  const since = Math.min(...signOffs.map(({ at }) => at))
  const seen = students.flatMap(({ id, grade }) => (grants.seesChild(grade) ? [id] : []))
  const rows = await loadChangesSince(db, { termId: place.termId, students: seen, since })
  const matter = matterOf(setup, works)
  return signOffs.map((signOff) => {
    const later = rows.filter((row) => row.at > signOff.at && matter(row) === signOff.subject)
    return { ...signOff, changes: laterChanges(later) }
  })
}

/** Signs a subject of a class off, again, or no longer. Whoever changes it signs it off. */
export async function writeSignOff(
  context: Context,
  place: Place,
  { subject, signed, was }: SignOffToWrite,
): Promise<number | null> {
  const { grants, term } = await openPlace(context, place)
  const setup = await setupOf(context, term.yearId)
  const name = subject === null ? 'the class as a whole' : setup.subjects.find(({ key }) => key === subject)?.name
  allow(name !== undefined && grants.changes(needFor(subject)), `sign off ${name ?? 'this'}`)
  const change = {
    table: 'sign_off' as const,
    key: { class_id: place.classId, term_id: place.termId, subject: subject ?? '' },
    seen: was === null ? null : { signed_at: was },
    after: signed && {
      person_id: context.who.personId,
      signed_at: Math.round(await databaseClock(context.db)),
      note: signed.note,
    },
  }
  const kind = `${signed ? 'signed off' : 'took back the sign-off of'} ${name ?? ''}`
  return (await save(context, { ...place, kind, needs: [needFor(subject)] }, [change])).event
}

/** The subject that a value belongs to; null where it belongs to none, undefined where that is not known any more. */
function matterOf(
  { skills, boxes }: SchoolSetup,
  works: ReadonlyMap<string, string>,
): (row: LaterRow) => string | null | undefined {
  const subjectOfSkill = new Map(skills.map(({ id, subject }) => [id, subject]))
  const subjectOfBox = new Map(boxes.map(({ key, subject }) => [key, subject]))
  return ({ table, key }) => {
    if (table === 'settled_mark') return key.subject
    if (table === 'result') return works.get(key.work_id ?? '')
    if (table === 'comment') return subjectOfBox.get(key.box ?? '')
    return table === 'settled_level' && key.kind === 'skill' ? subjectOfSkill.get(key.about ?? '') : null
  }
}

const kinds = { settled_mark: 'mark', result: 'result', comment: 'comment', attendance: 'attendance' } as const

/** Which value a row is. */
function valueOf({ table, key }: LaterRow): Pick<LaterChange, 'of' | 'studentId' | 'about'> {
  const of = table !== 'settled_level' ? kinds[table] : key.kind === 'skill' ? 'skill' : 'habit'
  return { of, studentId: key.student_id ?? '', about: key.subject ?? key.about ?? key.work_id ?? key.box ?? '' }
}

function laterChanges(rows: readonly LaterRow[]): LaterChange[] {
  const values = new Map(rows.map((row) => [JSON.stringify(valueOf(row)), valueOf(row)]))
  const changes = rows.map((row) => ({ ...row, place: JSON.stringify(valueOf(row)) }))
  return netChanges(changes).flatMap(({ place, from, to, by, at }) => {
    const value = values.get(place)
    return value ? [{ ...value, from, to, by, at }] : []
  })
}
