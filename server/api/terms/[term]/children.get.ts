import { idOf, staffRoute } from '../../../http/staffRoute'
import { viewChildren } from '../../../services/desk'

export default staffRoute((context, event) => viewChildren(context, idOf(event, 'term')))
