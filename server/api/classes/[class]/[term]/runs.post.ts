import { reportsToMake } from '../../../../../contracts/send'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { tellPress } from '../../../../jobs/pressQueue'
import { startRun } from '../../../../services/send'

export default staffRoute(async (context, event) => {
  const { students } = await bodyOf(event, reportsToMake)
  return startRun(context, classAndTermOf(event), students, tellPress)
})
