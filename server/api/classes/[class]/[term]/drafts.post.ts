import { draftsToMake } from '../../../../../contracts/write'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { makeDrafts } from '../../../../services/write'

export default staffRoute(async (context, event) =>
  makeDrafts(context, classAndTermOf(event), await bodyOf(event, draftsToMake)),
)
