import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { viewSignOffs } from '../../../../services/signOffs'

export default staffRoute((context, event) => viewSignOffs(context, classAndTermOf(event)))
