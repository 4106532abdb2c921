import { blankTableToMake } from '../../../../../contracts/send'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { tellPress } from '../../../../jobs/pressQueue'
import { startTable } from '../../../../services/send'

export default staffRoute(async (context, event) => {
  const table = await bodyOf(event, blankTableToMake)
  return startTable(context, classAndTermOf(event), table, tellPress)
})
