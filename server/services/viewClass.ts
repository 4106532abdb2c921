import type { ClassAnswer, Permissions, SetupAnswer } from '../../contracts/answers'
import { classRecordOf, type ClassRecord } from '../../core/record/classRecord'
import { allow, changesSchool, grantsIn, lockedWords, needFor, type Grants } from '../access/grants'
import { isLocked, isOpenFor, openSubjects } from '../../core/terms/lock'
import { unpackTerm, type PackedTerm } from '../../core/record/packedTerm'
import { narrowSetup } from '../../core/record/narrowSetup'
import { cutRecord } from '../access/cutRecord'
import { recordReader } from '../access/recordReader'
import { databaseClock } from '../data/eventNews'
import { jsonOf, JsonText } from '../data/jsonText'
import { noteOpening } from '../data/openings'
import { loadPlace, type OpenedPlace } from '../data/places'
import { loadTermRecord } from '../data/termRecord'
import { setupOf, type Context, type Place } from './context'

/** The class in view with what the reader may see of it and may change: a ClassAnswer in JSON. */
export async function viewClass(context: Context, place: Place): Promise<JsonText> {
  const readingBegan = databaseClock(context.db)
  const { place: opened, grants, term } = await readableTerm(context, place, 'noting who opened it')
  const open = openSubjects(opened.term, context.today, opened.reopenings)
  const changes = (subject: string | null): boolean => isOpenFor(open, subject) && grants.changes(needFor(subject))
  const { subjects } = await setupOf(context, opened.term.yearId)
  const may: Permissions = {
    subjects: subjects.map((subject) => subject.key).filter(changes),
    general: changes(null),
    notes: (open === 'all' || open.size > 0) && grants.takesNotes,
    photos: grants.changes('general'),
    reports: grants.makesReports,
    phrasebook: changesSchool(context.who),
    locked: lockedWords(opened, context.today),
    reopened: isLocked(opened.term, context.today) ? opened.reopenings : [],
  }
  const readAt = await readingBegan
  const reads = subjects.map((subject) => subject.key).filter(grants.readsSubject)
  const rest: Omit<ClassAnswer, 'term'> = { reads, may, today: context.today, readAt }
  return jsonOf({ term, ...rest })
}

/** A year's set-up as far as it concerns the reader: what is taught in any of the own classes. */
export async function viewSetup(context: Context, yearId: string): Promise<SetupAnswer> {
  const setup = await setupOf(context, yearId, 'with own phrases')
  const { who } = context
  const readsAll = who.role === 'coordinator' || who.teaching.some((each) => each.subject === null)
  const own = new Set(who.teaching.flatMap((each) => each.subject ?? []))
  return { setup: readsAll ? setup : narrowSetup(setup, (subject) => own.has(subject)) }
}

/** The whole record as far as the reader may see it. */
export async function readableRecord(context: Context, place: Place): Promise<ClassRecord> {
  const { place: opened, grants, term } = await readableTerm(context, place)
  const setup = await setupOf(context, opened.term.yearId, 'with own phrases')
  return classRecordOf(narrowSetup(setup, grants.readsSubject), unpackTerm(JSON.parse(term.text) as PackedTerm))
}

/** The record in JSON; it is read only where something has to be cut from it. */
async function readableTerm(
  context: Context,
  place: Place,
  noting?: 'noting who opened it',
): Promise<{ place: OpenedPlace; grants: Grants; term: JsonText }> {
  const opened = await loadPlace(context.db, place)
  const grants = grantsIn(context.who, opened.room)
  allow(grants.readsClass, 'see this class')
  const [whole] = await Promise.all([
    loadTermRecord(context.db, { ...place, readerId: context.who.personId }, context.today),
    noting ? noteOpening(context.db, { ...place, personId: context.who.personId }) : null,
  ])
  if (grants.readsAll) return { place: opened, grants, term: whole }
  const cut = cutRecord(
    JSON.parse(whole.text) as PackedTerm,
    recordReader(await setupOf(context, opened.term.yearId), grants),
  )
  return { place: opened, grants, term: new JsonText(JSON.stringify(cut)) }
}
