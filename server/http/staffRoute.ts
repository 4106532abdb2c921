import { defineEventHandler, getRouterParam, setResponseHeader, type EventHandler, type H3Event } from 'h3'
import { Refusal } from '../access/refusal'
import { database } from '../data/database'
import { askerOf } from '../data/people'
import { today } from '../data/today'
import { requireSeen, type Context, type Place } from '../services/context'
import { answered } from './answered'
import { letRunOut } from './body'
import { requireOwnPage } from './ownPage'
import { refusalOf, refused } from './refusals'
import { sessionOf } from './session'

/** A route for people who are signed in: finds out who asks, and turns refusals into answers. */
export function staffRoute<T>(answer: (context: Context, event: H3Event) => Promise<T>): EventHandler {
  return anyRoute(async (event) => {
    const session = await sessionOf(event)
    const asker = session ? await askerOf(database(), session.id, session.epoch) : undefined
    if (!asker) throw new Refusal('signed out', 'You are signed out. Sign in again; what you typed is kept.')
    const context: Context = { db: database(), who: asker.who, years: asker.years, today: today() }
    // Before anything that was sent is looked at: who may not see a class sends nothing to it.
    if (event.method !== 'GET' && getRouterParam(event, 'class') && getRouterParam(event, 'term'))
      await requireSeen(context, classAndTermOf(event))
    return answer(context, event)
  })
}

/** A route for anybody, with refusals and an unreachable database turned into answers. Nothing of it is stored. */
export function anyRoute<T>(answer: (event: H3Event) => Promise<T>): EventHandler {
  return defineEventHandler(async (event) => {
    try {
      requireOwnPage(event)
      setResponseHeader(event, 'cache-control', 'private, no-store')
      return await answered(event, await answer(event))
    } catch (error) {
      return refused(event, refusalOf(error))
    } finally {
      letRunOut(event)
    }
  })
}

const uuid = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/

/** An id from the address. @throws Refusal when it is none */
export function idOf(event: H3Event, name: string): string {
  const id = getRouterParam(event, name) ?? ''
  if (!uuid.test(id)) throw new Refusal('not found', 'There is nothing at this address.')
  return id
}

export function classAndTermOf(event: H3Event): Place {
  return { classId: idOf(event, 'class'), termId: idOf(event, 'term') }
}
