import { createHash } from 'node:crypto'
import { getRequestHeader, type H3Event } from 'h3'

/** Who a session says that somebody is; whether it still holds is asked of the database each time. */
export interface Session {
  id: string
  /** The number of the person's sessions at sign-in. */
  epoch: number
}

/**
 * Sessions as they were unsealed, by a hash of the cookies that they came in: unsealing costs more than everything else
 * about a small request. Bounded, the oldest go; kept for so short a time that the seal's own end is met.
 */
const unsealed = new Map<string, { session: Session; until: number }>()
const most = 500
const keptFor = 60_000

/** The session that a request comes with; null where there is none, or where its seal does not hold. */
export async function sessionOf(event: H3Event): Promise<Session | null> {
  const cookies = getRequestHeader(event, 'cookie')
  if (cookies === undefined) return null
  const key = createHash('sha256').update(cookies).digest('base64')
  const known = unsealed.get(key)
  if (known && known.until > Date.now()) return known.session
  const session = await unseal(event)
  const [oldest] = unsealed.keys()
  if (unsealed.size >= most && oldest !== undefined) unsealed.delete(oldest)
  unsealed.delete(key)
  if (session) unsealed.set(key, { session, until: Date.now() + keptFor })
  return session
}

async function unseal(event: H3Event): Promise<Session | null> {
  const { user } = await getUserSession(event)
  const { id, epoch } = (user ?? {}) as Partial<Session>
  return id === undefined ? null : { id, epoch: epoch ?? 0 }
}
