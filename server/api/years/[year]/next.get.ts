import { idOf, staffRoute } from '../../../http/staffRoute'
import { viewYearToFollow } from '../../../services/years'

export default staffRoute((context, event) => viewYearToFollow(context, idOf(event, 'year')))
