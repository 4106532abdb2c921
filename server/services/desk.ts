import type { DeskAnswer, DeskClass, TaughtClass } from '../../contracts/answers'
import type { SignedIn } from '../../contracts/session'
import { displayName } from '../../core/people/names'
import type { SchoolSetup } from '../../core/school/schoolSetup'
import type { Term } from '../../core/record/term'
import { grantsIn } from '../access/grants'
import { Refusal } from '../access/refusal'
import { countChildren, countClasses } from '../data/deskCounts'
import { loadPerson } from '../data/people'
import { loadClasses, loadTerm, loadTerms } from '../data/places'
import type { PersonRow } from '../data/tables'
import { standsStill } from '../data/today'
import { setupOf, thisYear, type Context } from './context'

/** Who is signed in, for the pages. */
export function signedIn(
  person: Pick<PersonRow, 'id' | 'given_name' | 'family_name' | 'role' | 'grade_from'>,
): SignedIn {
  return {
    id: person.id,
    name: displayName({ given: person.given_name, family: person.family_name }),
    setsUp: person.role === 'coordinator' && person.grade_from === null,
  }
}

/** What is due and what is left, class by class, in the term of today (else the last one begun). */
export async function viewDesk(context: Context): Promise<DeskAnswer> {
  const { db, who, today } = context
  const person = await loadPerson(db, who.personId)
  const year = thisYear(context)
  const setup = await setupOf(context, year.id)
  const terms = await loadTerms(db, year.id)
  const term = terms.findLast((each) => each.starts <= today) ?? terms[0]
  if (!person || !term) throw new Refusal('not found', 'The school has not been set up yet.')
  const classes = await deskClasses(context, setup, term)
  return {
    person: signedIn(person),
    school: setup.school.name,
    today,
    standsStill: standsStill(),
    term,
    terms,
    classes,
  }
}

/**
 * All the children whom somebody teaches, class by class, with how far the work about each is: those of a specialist's
 * groups are worked through as one list.
 */
export async function viewChildren(context: Context, termId: string): Promise<TaughtClass[]> {
  const term = await loadTerm(context.db, termId)
  const setup = await setupOf(context, term.yearId)
  const own = (await readClasses(context, setup, term)).filter(({ classId }) => teachesIn(context, classId))
  const counted = await countChildren(context.db, { ...term, today: context.today }, own)
  return own.flatMap(({ classId: id, name }) => {
    const children = counted.get(id)
    return children ? [{ id, name, children }] : []
  })
}

async function deskClasses(context: Context, setup: SchoolSetup, term: Term): Promise<DeskClass[]> {
  const own = await readClasses(context, setup, term)
  const counted = await countClasses(context.db, { ...term, today: context.today }, own)
  return own.flatMap(({ classId: id, name }) => {
    const counts = counted.get(id)
    return counts ? [{ id, name, role: roleIn(context, setup, id), teaches: teachesIn(context, id), ...counts }] : []
  })
}

/** The classes that somebody sees, each with the subjects that are seen there. */
async function readClasses(context: Context, setup: SchoolSetup, term: Term) {
  return (await loadClasses(context.db, term.yearId)).flatMap((room) => {
    const grants = grantsIn(context.who, room)
    if (!grants.readsClass) return []
    const subjects = setup.subjects.map((subject) => subject.key).filter(grants.readsSubject)
    return [{ ...room, subjects }]
  })
}

function teachesIn({ who }: Context, room: string): boolean {
  return who.teaching.some(({ classId, secondReader }) => classId === room && !secondReader)
}

/** "home class", "whole class" for the coordinator, or the names of the subjects taught there. */
function roleIn({ who }: Context, setup: SchoolSetup, classId: string): string {
  const teaching = who.teaching.filter((each) => each.classId === classId)
  if (teaching.some((each) => each.subject === null && !each.secondReader)) return 'home class'
  if (who.role === 'coordinator') return 'whole class'
  const nameOf = (key: string | null): string =>
    key === null ? 'the whole class' : (setup.subjects.find((each) => each.key === key)?.name ?? key)
  return teaching.map((each) => `${each.secondReader ? 'second reader of ' : ''}${nameOf(each.subject)}`).join(', ')
}
