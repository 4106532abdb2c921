import { careRule } from '../../contracts/care'
import { bodyOf } from '../http/body'
import { staffRoute } from '../http/staffRoute'
import { keepFor } from '../services/care'

export default staffRoute(async (context, event) => ({
  event: await keepFor(context, await bodyOf(event, careRule)),
}))
