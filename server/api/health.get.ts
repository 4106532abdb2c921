import { askNothing, database } from '../data/database'
import { anyRoute } from '../http/staffRoute'

/** Whether the web and its database answer. */
export default anyRoute(async () => {
  await askNothing(database())
  return { healthy: true }
})
