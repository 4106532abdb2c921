import { importToPlan } from '../../../../contracts/gather'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { planFile } from '../../../services/gather'

export default staffRoute(async (context, event) => {
  const { mapping, correction } = await bodyOf(event, importToPlan)
  return planFile(context, idOf(event, 'file'), mapping, correction)
})
