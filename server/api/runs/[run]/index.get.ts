import { idOf, staffRoute } from '../../../http/staffRoute'
import { viewRun } from '../../../services/send'

export default staffRoute((context, event) => viewRun(context, idOf(event, 'run')))
