import { importToApply } from '../../../../contracts/gather'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { beside } from '../../../workers/beside'

export default staffRoute(async (context, event) => {
  const { mapping, fingerprint } = await bodyOf(event, importToApply)
  return beside(context, 'applyFile', idOf(event, 'file'), mapping, fingerprint)
})
