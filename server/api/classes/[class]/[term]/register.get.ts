import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { readRegister } from '../../../../services/register'

export default staffRoute((context, event) => readRegister(context, classAndTermOf(event)))
