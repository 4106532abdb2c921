import { createError, getRouterParam, readBody, type EventHandler, type H3Event } from 'h3'
import { defineEventHandler } from 'h3'
import type { z } from 'zod'
import { Refusal } from '../access/refusal'
import { database, isUnreachable } from '../data/database'
import { whoIs } from '../data/people'
import type { Context, Place } from '../services/context'

const statusOf: Record<Refusal['kind'], number> = {
  'signed out': 401,
  'forbidden': 403,
  'not found': 404,
  'conflict': 409,
  'locked': 423,
  'invalid': 422,
  'too often': 429,
}

/** A route for people who are signed in: finds out who asks, and turns refusals into answers. */
export function staffRoute<T>(answer: (context: Context, event: H3Event) => Promise<T>): EventHandler {
  return anyRoute(async (event) => {
    const session = await getUserSession(event)
    const personId = (session.user as { id?: string } | undefined)?.id
    if (personId === undefined)
      throw new Refusal('signed out', 'You are signed out. Sign in again; what you typed is kept.')
    const who = await whoIs(database(), personId)
    if (!who) throw new Refusal('signed out', 'This sign-in no longer exists.')
    return answer({ db: database(), who, today: today() }, event)
  })
}

/** A route for anybody, with refusals and an unreachable database turned into answers. */
export function anyRoute<T>(answer: (event: H3Event) => Promise<T>): EventHandler {
  return defineEventHandler(async (event) => {
    try {
      return await answer(event)
    } catch (error) {
      throw toAnswer(error)
    }
  })
}

/** The body, checked. @throws Refusal naming the first thing that is wrong */
export async function bodyOf<S extends z.ZodType>(event: H3Event, schema: S): Promise<z.infer<S>> {
  const read = schema.safeParse(await readBody(event))
  if (read.success) return read.data
  const [issue] = read.error.issues
  throw new Refusal(
    'invalid',
    issue ? `${issue.message}${issue.path.length > 0 ? ` (${issue.path.join('.')})` : ''}` : 'This could not be read.',
  )
}

const uuid = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/

/** An id from the address. @throws Refusal when it is none */
export function idOf(event: H3Event, name: string): string {
  const id = getRouterParam(event, name) ?? ''
  if (!uuid.test(id)) throw new Refusal('not found', 'There is nothing at this address.')
  return id
}

export function placeOf(event: H3Event): Place {
  return { classId: idOf(event, 'class'), termId: idOf(event, 'term') }
}

/** Today in the server's time zone, as an ISO date. */
export function today(): string {
  const now = new Date()
  return [now.getFullYear(), String(now.getMonth() + 1).padStart(2, '0'), String(now.getDate()).padStart(2, '0')].join(
    '-',
  )
}

function toAnswer(error: unknown): Error {
  if (error instanceof Refusal) {
    return createError({
      statusCode: statusOf[error.kind],
      message: error.message,
      data: { kind: error.kind, message: error.message, ...error.details },
    })
  }
  if (isUnreachable(error)) {
    return createError({
      statusCode: 503,
      message: 'The database cannot be reached just now. Nothing was lost; it is tried again.',
      data: { kind: 'unreachable' },
    })
  }
  return error instanceof Error ? error : new Error(String(error))
}
