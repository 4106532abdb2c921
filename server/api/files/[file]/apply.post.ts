import { importToApply } from '../../../../contracts/gather'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { runInWorker } from '../../../workers/runInWorker'

export default staffRoute(async (context, event) => {
  const { mapping, fingerprint } = await bodyOf(event, importToApply)
  return runInWorker(context, 'applyFile', idOf(event, 'file'), mapping, fingerprint)
})
