import { idOf, staffRoute } from '../../../http/staffRoute'
import { invite } from '../../../services/people'

export default staffRoute((context, event) => invite(context, idOf(event, 'person')))
