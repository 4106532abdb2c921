import { staffRoute } from '../http/staffRoute'
import { viewRights } from '../services/privacy'

export default staffRoute((context) => viewRights(context))
