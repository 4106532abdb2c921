import { importToApply } from '../../../../contracts/gather'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { applyFile } from '../../../services/gather'

export default staffRoute(async (context, event) => {
  const { mapping, fingerprint } = await bodyOf(event, importToApply)
  return applyFile(context, idOf(event, 'file'), mapping, fingerprint)
})
