import type { YearsAnswer, YearToFollow, YearToMake } from '../../contracts/setUp'
import { listOf } from '../../core/narrative/listOf'
import { allow, changesSchool } from '../access/grants'
import { Refusal } from '../access/refusal'
import { keepEvents } from '../data/changes/keptEvents'
import { demoMark, markOf } from '../data/databaseMark'
import {
  addEmptyYear,
  carryClassOver,
  carrySetupOver,
  holdYears,
  isAsFolderLeftIt,
  loadYearToFollow,
  recordedIn,
  takeYearAway,
} from '../data/newYears'
import { inTransaction } from '../data/transactions'
import { yearOf, type Context } from './context'
import { addTerm, carryTermWeights } from '../data/setUpSchool'

/** The school's years, oldest first. */
export async function viewYears(context: Context): Promise<YearsAnswer> {
  allow(changesSchool(context.who), 'see the school’s years')
  const demo = (await markOf(context.db)) === demoMark
  return { years: context.years.map(({ id, name }) => ({ id, name })), demo }
}

/**
 * Takes the last year away, where nothing has been recorded in it yet: a year that was made too early, or wrongly.
 * @throws Refusal saying what is recorded in it
 */
export async function removeYear(context: Context, yearId: string): Promise<void> {
  allow(changesSchool(context.who), 'take a school year away')
  const { name } = yearOf(context, yearId)
  if (context.years.length < 2) throw new Refusal('invalid', 'A school needs a year at least.')
  if (context.years.at(-1)?.id !== yearId) {
    throw new Refusal('invalid', `A year came after ${name}. Only the last one can be taken away.`)
  }
  await inTransaction(context.db, async (trx) => {
    await holdYears(trx)
    const recorded = await recordedIn(trx, yearId)
    if (recorded.length > 0 && !(await isAsFolderLeftIt(trx, { id: yearId, name }))) {
      throw new Refusal('invalid', `${name} holds ${listOf(recorded)}. A year with a record is not taken away.`)
    }
    await takeYearAway(trx, yearId)
    const action = { personId: context.who.personId, classId: null, termId: null, kind: `took the year ${name} away` }
    await keepEvents(trx, [{ action: { ...action, needs: [] }, changes: [] }])
  })
}

/** What a next year would be made from. */
export async function viewYearToFollow(context: Context, yearId: string): Promise<YearToFollow> {
  allow(changesSchool(context.who), 'make a school year')
  return loadYearToFollow(context.db, yearOf(context, yearId).id)
}

/**
 * Makes a year from another, whole or not at all: set-up, terms, and the classes that go on with their students a grade
 * higher. The year it is made from stays as it is.
 * @returns the new year's id
 */
export async function makeYear(context: Context, { from, year, classes }: YearToMake): Promise<string> {
  allow(changesSchool(context.who), 'make a school year')
  const before = yearOf(context, from)
  const name = year.name.trim()
  if (context.years.some((each) => each.name === name))
    throw new Refusal('invalid', `There is a year “${name}” already.`)
  const last = context.years.at(-1)
  if (last && year.starts <= last.starts) {
    throw new Refusal('invalid', `A new year begins after the last one, ${last.name}, began on ${last.starts}.`)
  }
  const names = classes.map((room) => room.name.toLowerCase())
  const twice = classes.find((room, at) => names.indexOf(room.name.toLowerCase()) !== at)
  if (twice) throw new Refusal('invalid', `Two classes would be called “${twice.name}”.`)
  const classesBefore = new Map((await loadYearToFollow(context.db, before.id)).classes.map((room) => [room.id, room]))
  if (classes.some((room) => !classesBefore.has(room.from)))
    throw new Refusal('invalid', `A class that would go on is none of ${before.name}.`)
  const children = classes
    .filter((room) => classesBefore.get(room.from)?.subject === null)
    .flatMap((room) => room.students)
  if (new Set(children).size < children.length) throw new Refusal('invalid', 'A child would be in two classes.')
  return context.db.transaction(async (trx) => {
    const made = await addEmptyYear(trx, { name, starts: year.starts, ends: year.ends })
    await carrySetupOver(trx, { from: before.id, to: made })
    const following = new Map<string, string>()
    for (const { follows, ...term } of year.terms) {
      const id = await addTerm(trx, { ...term, yearId: made })
      if (follows) following.set(follows, id)
    }
    await carryTermWeights(trx, made, following)
    for (const room of classes) await carryClassOver(trx, { from: before.id, to: made }, room)
    const action = { personId: context.who.personId, classId: null, termId: null, kind: `made the year ${name}` }
    await keepEvents(trx, [{ action: { ...action, needs: [] }, changes: [] }])
    return made
  })
}
