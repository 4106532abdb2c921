import { idOf, staffRoute } from '../../../../http/staffRoute'
import { viewOwnSetup } from '../../../../services/ownSetup'

export default staffRoute((context, event) => viewOwnSetup(context, idOf(event, 'year')))
