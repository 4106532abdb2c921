import { findingToAccept } from '../../../../../contracts/write'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { acceptFinding } from '../../../../services/write'

export default staffRoute(async (context, event) => ({
  event: await acceptFinding(context, classAndTermOf(event), await bodyOf(event, findingToAccept)),
}))
