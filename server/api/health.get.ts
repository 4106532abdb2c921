import { database } from '../data/database'
import { anyRoute } from '../http/staffRoute'

/** Whether the web and its database answer. */
export default anyRoute(async () => {
  await database().raw('select 1')
  return { healthy: true }
})
