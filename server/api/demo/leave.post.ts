import { demoToLeave } from '../../../contracts/setUp'
import { bodyOf } from '../../http/body'
import { staffRoute } from '../../http/staffRoute'
import { leaveDemo } from '../../services/leaveDemo'

export default staffRoute(async (context, event) => ({
  key: await leaveDemo(context, await bodyOf(event, demoToLeave)),
}))
