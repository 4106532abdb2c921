import { idOf, staffRoute } from '../../../http/staffRoute'
import { viewCare } from '../../../services/care'

export default staffRoute((context, event) => viewCare(context, idOf(event, 'student')))
