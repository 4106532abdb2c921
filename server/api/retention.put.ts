import { retentionRule } from '../../contracts/privacy'
import { bodyOf } from '../http/body'
import { staffRoute } from '../http/staffRoute'
import { setRetention } from '../services/privacy'

export default staffRoute(async (context, event) => ({
  event: await setRetention(context, await bodyOf(event, retentionRule)),
}))
