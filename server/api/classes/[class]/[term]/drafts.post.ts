import { draftsToMake } from '../../../../../contracts/write'
import { bodyOf, placeOf, staffRoute } from '../../../../http/staffRoute'
import { makeDrafts } from '../../../../services/write'

export default staffRoute(async (context, event) =>
  makeDrafts(context, placeOf(event), await bodyOf(event, draftsToMake)),
)
