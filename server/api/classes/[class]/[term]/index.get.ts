import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { viewClass } from '../../../../services/viewClass'

export default staffRoute((context, event) => viewClass(context, classAndTermOf(event)))
