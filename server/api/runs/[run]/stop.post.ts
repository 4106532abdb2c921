import { idOf, staffRoute } from '../../../http/staffRoute'
import { stopRun } from '../../../services/send'

export default staffRoute((context, event) => stopRun(context, idOf(event, 'run')))
