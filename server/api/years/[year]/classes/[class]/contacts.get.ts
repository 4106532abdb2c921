import { idOf, staffRoute } from '../../../../../http/staffRoute'
import { viewContacts } from '../../../../../services/privacy'

export default staffRoute((context, event) => viewContacts(context, idOf(event, 'class')))
