import { importToPlan } from '../../../../contracts/gather'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { beside } from '../../../workers/beside'

export default staffRoute(async (context, event) => {
  const { mapping, correction } = await bodyOf(event, importToPlan)
  return beside(context, 'planFile', idOf(event, 'file'), mapping, correction)
})
