import { idOf, staffRoute } from '../../../http/staffRoute'
import { removeYear } from '../../../services/years'

export default staffRoute(async (context, event) => {
  await removeYear(context, idOf(event, 'year'))
  return { removed: true }
})
