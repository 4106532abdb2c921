import { staffRoute } from '../../http/staffRoute'
import { viewYears } from '../../services/years'

export default staffRoute((context) => viewYears(context))
