import type { YearsAnswer, YearToFollow, YearToMake } from '../../contracts/setUp'
import { allow, changesSchool } from '../access/grants'
import { Refusal } from '../access/refusal'
import { keepEvents } from '../data/changes/keptEvents'
import { demoMark, markOf } from '../data/databaseMark'
import { carryClassOver, carrySetupOver, loadYearToFollow } from '../data/newYears'
import { yearOf, type Context } from './context'
import { addTerm } from './setUpSchool'

/** The school's years, oldest first. */
export async function viewYears(context: Context): Promise<YearsAnswer> {
  allow(changesSchool(context.who), 'see the school’s years')
  const demo = (await markOf(context.db)) === demoMark
  return { years: context.years.map(({ id, name }) => ({ id, name })), demo }
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
  return context.db.transaction(async (trx) => {
    const [made] = await trx('school_year').insert({ name, starts: year.starts, ends: year.ends }).returning('id')
    if (!made) throw new Error('The year was not kept.')
    await carrySetupOver(trx, { from: before.id, to: made.id })
    for (const term of year.terms) await addTerm(trx, { ...term, yearId: made.id })
    for (const room of classes) await carryClassOver(trx, made.id, room)
    const deed = { personId: context.who.personId, classId: null, termId: null, kind: `made the year ${name}` }
    await keepEvents(trx, [{ deed: { ...deed, needs: [] }, changes: [] }])
    return made.id
  })
}
