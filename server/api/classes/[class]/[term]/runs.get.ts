import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { listRuns } from '../../../../services/send'

export default staffRoute((context, event) => listRuns(context, classAndTermOf(event)))
