import { marksToSettle } from '../../../../../contracts/settle'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { settleMarks } from '../../../../services/settle'

export default staffRoute(async (context, event) => {
  const { marks } = await bodyOf(event, marksToSettle)
  return { event: await settleMarks(context, classAndTermOf(event), marks) }
})
