import { marksToSettle } from '../../../../../contracts/settle'
import { bodyOf, placeOf, staffRoute } from '../../../../http/staffRoute'
import { settleMarks } from '../../../../services/settle'

export default staffRoute(async (context, event) => {
  const { marks } = await bodyOf(event, marksToSettle)
  return { event: await settleMarks(context, placeOf(event), marks) }
})
