import { idOf, staffRoute } from '../../../http/staffRoute'
import { viewPeople } from '../../../services/people'

export default staffRoute((context, event) => viewPeople(context, idOf(event, 'year')))
