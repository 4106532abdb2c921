import type { H3Event } from 'h3'
import { Refusal } from '../access/refusal'

/** The phrase that an address asks about, as in "?phrase=m-open-1". @throws Refusal when it names none */
export function phraseAsked(event: H3Event): string {
  const { phrase } = getQuery(event)
  if (typeof phrase !== 'string' || phrase === '') throw new Refusal('invalid', 'Say which phrase.')
  return phrase
}
