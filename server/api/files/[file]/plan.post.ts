import { importToPlan } from '../../../../contracts/gather'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { runInWorker } from '../../../workers/runInWorker'

export default staffRoute(async (context, event) => {
  const { mapping, correction } = await bodyOf(event, importToPlan)
  return runInWorker(context, 'planFile', idOf(event, 'file'), mapping, correction)
})
