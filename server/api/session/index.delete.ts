import { database } from '../../data/database'
import { endSessions } from '../../data/people'
import { staffRoute } from '../../http/staffRoute'

/** Signs out everywhere: what was left open on another machine ends too. */
export default staffRoute(async (context, event) => {
  await endSessions(database(), context.who.personId)
  await clearUserSession(event)
  return { signedOut: true }
})
