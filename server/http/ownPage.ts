import { getRequestHeader, type H3Event } from 'h3'
import { Refusal } from '../access/refusal'

/** What a write may come as: JSON, or the bytes of a file. A form of another page can send neither. */
const kinds = /^application\/(json|octet-stream)\b/i

/**
 * Lets a write through only from a page of our own. Browsers say where a request comes from (Fetch Metadata, else
 * Origin); a program that is no browser says neither, and carries no cookie that it was not given.
 * @throws Refusal
 */
export function requireOwnPage(event: H3Event): void {
  if (event.method === 'GET' || event.method === 'HEAD') return
  const site = getRequestHeader(event, 'sec-fetch-site')
  const origin = getRequestHeader(event, 'origin')
  const foreign = site !== undefined ? site !== 'same-origin' : origin !== undefined && !isOwn(event, origin)
  if (foreign) throw new Refusal('forbidden', 'This was sent by another page. Do it here, in Facunda.')
  if (!kinds.test(getRequestHeader(event, 'content-type') ?? '')) {
    throw new Refusal('not taken', 'This has to be sent as JSON.')
  }
}

function isOwn(event: H3Event, origin: string): boolean {
  try {
    const { host } = new URL(origin)
    const configured = process.env.FACUNDA_ORIGIN
    return host === getRequestHeader(event, 'host') || (configured !== undefined && host === new URL(configured).host)
  } catch {
    return false
  }
}

/**
 * The address that a request comes from. Behind a proxy that the school has named (FACUNDA_PROXIES: how many stand in
 * front), it is the one that the outermost of them saw; what a client writes there itself is not looked at.
 */
export function addressOf(event: H3Event): string {
  const proxies = Number(process.env.FACUNDA_PROXIES ?? 0)
  const forwarded = (getRequestHeader(event, 'x-forwarded-for') ?? '').split(',').map((each) => each.trim())
  const seen = proxies > 0 ? forwarded.at(-proxies) : undefined
  return seen || event.node.req.socket.remoteAddress || 'unknown'
}
