import { idOf, staffRoute } from '../../../../../http/staffRoute'
import { viewRoster } from '../../../../../services/classes'

export default staffRoute((context, event) => viewRoster(context, idOf(event, 'year'), idOf(event, 'class')))
