import { database } from '../data/database'
import { anyRoute } from '../http/staffRoute'

export default anyRoute(async () => {
  await database().raw('select 1')
  return { healthy: true }
})
