import type { Reopening, ReopeningsAnswer, ReopeningToWrite } from '../../contracts/reopenings'
import { daysUntil } from '../../core/terms/daysUntil'
import { isLocked } from '../../core/terms/lock'
import { allow, changesSchool } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Row } from '../data/changes/changeableTables'
import { loadClasses, loadTerms } from '../data/places'
import { areOfYear, loadReopenings, madeBy } from '../data/reopenings'
import { save, setupOf, type Context } from './context'

/** A locked term is opened again for so many days at most; for longer the term's own day is put later. */
const mostDays = 31

/** What was opened again in a year, and what could be. */
export async function viewReopenings(context: Context, yearId: string): Promise<ReopeningsAnswer> {
  allow(changesSchool(context.who), 'open a locked term again')
  const [terms, classes, setup, reopenings] = await Promise.all([
    loadTerms(context.db, yearId),
    loadClasses(context.db, yearId),
    setupOf(context, yearId),
    loadReopenings(context.db, yearId),
  ])
  return {
    today: context.today,
    terms: terms.filter((term) => isLocked(term, context.today)).map(({ id, name, locks }) => ({ id, name, locks })),
    classes: classes.map(({ classId, name }) => ({ id: classId, name })),
    subjects: setup.subjects.map(({ key, name }) => ({ key, name })),
    reopenings,
  }
}

/**
 * Opens a class or a subject of a locked term again for some days, changes for how long, or closes it. That it was
 * open, by whom and why stays on record.
 */
export async function writeReopening(
  context: Context,
  yearId: string,
  { id, reopening, was }: ReopeningToWrite,
): Promise<number | null> {
  allow(changesSchool(context.who), 'open a locked term again')
  await refuseUnfit(context, yearId, reopening)
  const row = ({ termId, classId, subject, from, to, reason }: Reopening): Row => ({
    term_id: termId,
    class_id: classId,
    subject,
    from_day: from,
    to_day: to,
    reason,
  })
  const change = {
    table: 'reopening' as const,
    key: { id },
    seen: was && row(was),
    // Whoever changes it later, it was opened by who opened it.
    after: { ...row(reopening), made_by: (await madeBy(context.db, id)) ?? context.who.personId },
  }
  const kind = was ? 'changed how long a term is open again' : 'opened a locked term again'
  return (await save(context, { classId: null, termId: null, kind, needs: ['school'] }, [change])).event
}

async function refuseUnfit(
  context: Context,
  yearId: string,
  { termId, classId, subject, from, to }: Reopening,
): Promise<void> {
  if (!(await areOfYear(context.db, yearId, { termId, classId })))
    throw new Refusal('not found', 'There is no such term or class in this year.')
  const { subjects } = await setupOf(context, yearId)
  if (subject !== null && !subjects.some(({ key }) => key === subject))
    throw new Refusal('not found', 'There is no such subject in this year.')
  if (daysUntil(to, from) >= mostDays)
    throw new Refusal(
      'invalid',
      `A term is opened again for ${mostDays} days at most. For longer, put the day later on which it locks.`,
    )
}
