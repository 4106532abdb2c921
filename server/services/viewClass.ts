import type { ClassAnswer, Permissions } from '../../contracts/answers'
import type { ClassRecord } from '../../core/record/classRecord'
import { isLocked } from '../../core/terms/lock'
import {
  allow,
  mayChangeGeneral,
  mayChangeSchool,
  mayChangeSubject,
  mayMakeReports,
  mayReadClass,
  mayReadSubject,
} from '../access/access'
import { loadClassRecord } from '../data/loadClassRecord'
import { classTeaching } from '../data/people'
import type { Context, Place } from './context'

/** The class in view with what the reader may see of it and may change. */
export async function viewClass(context: Context, place: Place): Promise<ClassAnswer> {
  const record = await readableRecord(context, place)
  const room = await classTeaching(context.db, place.classId)
  const locked = isLocked(record.term, context.today)
  const may: Permissions = {
    subjects: locked
      ? []
      : record.subjects.map((subject) => subject.key).filter((key) => mayChangeSubject(context.who, room, key)),
    general: !locked && mayChangeGeneral(context.who, place.classId),
    reports: mayMakeReports(context.who, place.classId),
    phrasebook: mayChangeSchool(context.who),
    locked: locked
      ? `${record.term.name} has been locked since ${record.term.locks}. The coordinator can open it again.`
      : null,
  }
  return { record, may, today: context.today }
}

/** The record as far as the reader may see it. */
export async function readableRecord({ db, who }: Context, { classId, termId }: Place): Promise<ClassRecord> {
  allow(mayReadClass(who, classId), 'see this class')
  return loadClassRecord(db, classId, termId, (subject) => mayReadSubject(who, classId, subject), who.personId)
}
