import { setResponseHeaders, setResponseStatus, type H3Event } from 'h3'
import { z } from 'zod'
import { lockedTerm } from '../access/grants'
import { Refusal } from '../access/refusal'
import { hindrance } from '../data/database'

const statusOf: Record<Refusal['kind'], number> = {
  'signed out': 401,
  'forbidden': 403,
  'not found': 404,
  'conflict': 409,
  'too large': 413,
  'not answered': 405,
  'not taken': 415,
  'invalid': 422,
  'locked': 423,
  'too often': 429,
  'broken': 500,
  'unreachable': 503,
}

/** Answers with a refusal: its status, and JSON that says why. */
export function refused(event: H3Event, { kind, message, details }: Refusal): object {
  setResponseStatus(event, statusOf[kind])
  setResponseHeaders(event, { 'cache-control': 'private, no-store', 'content-type': 'application/json' })
  return { statusCode: statusOf[kind], message, data: { kind, message, ...details } }
}

/** What PostgreSQL would not take, in words. Classes 22 (data) and 23 (what rows rest on) of its error codes. */
const databaseWords: Record<string, string> = {
  '22001': 'A text is longer than there is room for.',
  '22003': 'A number is too large.',
  '22021': 'There is a character that cannot be kept.',
  '22P05': 'There is a character that cannot be kept.',
  '23502': 'Something that is needed is missing.',
  '23503': 'This rests on something that is not there (any more), or something else rests on it.',
  '23505': 'This stands there already.',
  '23514': 'A name is longer, or a number or day is another than can be kept.',
}

/** What the database raises when a row of a locked term would change (migration 0023). */
const lockedInDatabase = 'LT001'

/** What the database raises when a change would leave something without what it must have (migration 0031). */
const notWhole = 'WH001'

const wholeWords: Record<string, string> = {
  person: 'A school needs a coordinator of all grades who can sign in. Make somebody else one first.',
  teaching: 'A class has one home teacher at a time. Say until when the other one has it first.',
  enrolment: 'A child is in one home class at a time. Move the child instead.',
  term: 'Two terms of a year would overlap.',
}

/** The term that the database named. */
function lockOf(error: unknown): { name: string; locks: string } {
  const told = error instanceof Error && 'detail' in error ? String(error.detail) : ''
  const named = z.object({ name: z.string(), locks: z.string() }).safeParse(JSON.parse(told || '{}'))
  return named.data ?? { name: 'The term', locks: 'its day' }
}

const hindranceWords = {
  'unreachable': 'The database cannot be reached just now. Nothing was lost; it is tried again.',
  'no room': 'The server has no room left to keep this: tell whoever runs it. Nothing was lost; it is tried again.',
} as const

/** Anything that went wrong, as a refusal in words for the person who asked. What nobody foresaw is logged. */
export function refusalOf(error: unknown): Refusal {
  if (error instanceof Refusal) return error
  const why = hindrance(error)
  if (why !== null) {
    if (why === 'no room') console.error(error)
    return new Refusal('unreachable', hindranceWords[why])
  }
  const code = error instanceof Error && 'code' in error ? String(error.code) : ''
  if (code === lockedInDatabase) return lockedTerm(lockOf(error))
  if (code === notWhole) {
    const table = error instanceof Error && 'table' in error ? String(error.table) : ''
    return new Refusal('invalid', `${wholeWords[table] ?? 'Something would be left incomplete.'} Nothing was changed.`)
  }
  if (/^2[23]/.test(code)) {
    return new Refusal('invalid', `${databaseWords[code] ?? 'This cannot be kept as it is.'} Nothing was changed.`)
  }
  console.error(error)
  return new Refusal('broken', 'Something went wrong here. Nothing was changed; try again.')
}
