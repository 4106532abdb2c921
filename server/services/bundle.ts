import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { BundleLook } from '../../contracts/bundle'
import { UnreadableFile } from '../../core/exchange/files/problem'
import { planYear, type YearPlan } from '../../core/exchange/oneroster/planYear'
import { allow, changesSchool } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { AllAtOnce } from '../data/bundle/allAtOnce'
import { bringPeople, layDownNames, noteBundle } from '../data/bundle/bringPeople'
import { bringResults } from '../data/bundle/bringResults'
import { bringWork, workLeftOut, type Brought } from '../data/bundle/bringWork'
import { HeldFile } from '../data/bundle/heldFile'
import { loadNamesHere } from '../data/bundle/namesHere'
import { stageBundle } from '../data/bundle/stageBundle'
import { loadPeople, loadYearHere } from '../data/bundle/yearHere'
import { keepEvents } from '../data/changes/keptEvents'
import { yearOf, type Context } from './context'

/** Thrown to leave the database as it was, once it is known what would have been done. */
class LookedAlone extends Error {
  constructor(readonly look: BundleLook) {
    super('looked at alone')
  }
}

/**
 * Takes a whole OneRoster bundle into a school year as its bytes come: whole or not at all, as one step back. To look
 * at it alone does the very same and lets go of it, so that what is told is what would be.
 * @throws Refusal in words for whoever brought it
 */
export async function takeBundle(
  context: Context,
  yearId: string,
  {
    bytes,
    take,
    allAtOnce = 'where it pays',
  }: { bytes: AsyncIterable<Uint8Array>; take: boolean; allAtOnce?: AllAtOnce },
): Promise<BundleLook> {
  allow(changesSchool(context.who), 'take a OneRoster bundle in')
  yearOf(context, yearId)
  const held = new HeldFile()
  try {
    return await context.db.transaction(async (trx) => {
      const look = await bring(trx, held, {
        personId: context.who.personId,
        yearId,
        bytes,
        take,
        allAtOnce: take ? allAtOnce : 'never',
      })
      if (!take || !look.isNew) throw new LookedAlone({ ...look, event: null })
      return look
    })
  } catch (error) {
    if (error instanceof LookedAlone) return error.look
    if (error instanceof UnreadableFile) throw new Refusal('invalid', error.message)
    throw error
  } finally {
    await held.letGo()
  }
}

interface Bringing {
  readonly personId: string
  readonly yearId: string
  readonly bytes: AsyncIterable<Uint8Array>
  readonly take: boolean
  readonly allAtOnce: AllAtOnce
}

async function bring(
  trx: Knex.Transaction,
  held: HeldFile,
  { personId, yearId, bytes, take, allAtOnce }: Bringing,
): Promise<BundleLook> {
  await stageBundle(trx, bytes, held)
  const plan = planYear(await loadPeople(trx), await loadYearHere(trx, yearId), randomUUID)
  const action = {
    personId,
    classId: null,
    termId: null,
    kind: 'took a OneRoster bundle in',
    needs: ['school' as const],
  }
  const [eventId = 0] = await keepEvents(trx, [{ action, changes: [] }])
  await noteBundle(trx, eventId, yearId)
  await bringPeople(trx, plan, { yearId, eventId })
  await layDownNames(trx, plan)
  const work = await bringWork(trx, { yearId, eventId, allAtOnce })
  const names = await loadNamesHere(trx, yearId, plan)
  const results = await bringResults(trx, { eventId, held }, { take, allAtOnce, names })
  return {
    brings: [
      ...peopleInWords(plan),
      inWords(work, 'piece of work', 'pieces of work'),
      inWords(results, 'result', 'results'),
    ],
    leftOut: [...plan.leftOut, ...(await workLeftOut(trx)), ...results.leftOut],
    isNew:
      [plan.newStudents, plan.newClasses, plan.newPlaces].some(({ length }) => length > 0) ||
      isNew(work) ||
      isNew(results),
    event: eventId,
  }
}

const isNew = ({ added, changed }: Brought): boolean => added + changed > 0

function peopleInWords({ students, newStudents, newClasses, newPlaces }: YearPlan): string[] {
  const known = students.size - newStudents.length
  return [
    `${count(newStudents.length, 'new child', 'new children')}, ${known} known`,
    ...(newClasses.length > 0
      ? [`${count(newClasses.length, 'new class', 'new classes')}: ${namesOf(newClasses)}`]
      : []),
    ...(newPlaces.length > 0 ? [`${count(newPlaces.length, 'place', 'places')} in classes`] : []),
  ]
}

function namesOf(classes: YearPlan['newClasses']): string {
  return (
    classes
      .slice(0, 5)
      .map(({ name }) => name)
      .join(', ') + (classes.length > 5 ? ' …' : '')
  )
}

function inWords({ added, changed, unchanged }: Brought, one: string, many: string): string {
  return `${count(added, `new ${one}`, `new ${many}`)}, ${changed} changed, ${unchanged} as they are`
}

function count(number: number, one: string, many: string): string {
  return `${number.toLocaleString('en')} ${number === 1 ? one : many}`
}
