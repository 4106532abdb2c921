import { blankTableToMake } from '../../../../../contracts/send'
import { bodyOf } from '../../../../http/body'
import { placeOf, staffRoute } from '../../../../http/staffRoute'
import { tellPress } from '../../../../jobs/pressQueue'
import { startTable } from '../../../../services/send'

export default staffRoute(async (context, event) => {
  const table = await bodyOf(event, blankTableToMake)
  return startTable(context, placeOf(event), table, tellPress)
})
