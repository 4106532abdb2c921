import { idOf, staffRoute } from '../../../../http/staffRoute'
import { viewClasses } from '../../../../services/classes'

export default staffRoute((context, event) => viewClasses(context, idOf(event, 'year')))
