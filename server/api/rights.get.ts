import { staffRoute } from '../http/staffRoute'
import { viewRights } from '../services/care'

export default staffRoute((context) => viewRights(context))
