import { placeOf, staffRoute } from '../../../../http/staffRoute'
import { readRegister } from '../../../../services/register'

export default staffRoute((context, event) => readRegister(context, placeOf(event)))
