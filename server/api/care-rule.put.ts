import { careRule } from '../../contracts/care'
import { bodyOf } from '../http/body'
import { staffRoute } from '../http/staffRoute'
import { keepOpenings } from '../services/care'

export default staffRoute(async (context, event) => ({
  event: await keepOpenings(context, await bodyOf(event, careRule)),
}))
