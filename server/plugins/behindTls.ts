import { setResponseHeader } from 'h3'

/** A year, in seconds: so long do browsers ask over TLS alone, once they were told. */
const aYear = 31_536_000

/** Where people reach the school over TLS (FACUNDA_ORIGIN), cookies go over it alone, and browsers are told to. */
export default defineNitroPlugin((nitro) => {
  if (!process.env.FACUNDA_ORIGIN?.startsWith('https://')) return
  // Read with each request; whoever sets it themselves is asked first.
  process.env.NUXT_SESSION_COOKIE_SECURE ??= 'true'
  nitro.hooks.hook('request', (event) => setResponseHeader(event, 'strict-transport-security', `max-age=${aYear}`))
})
