import { staffRoute } from '../http/staffRoute'
import { settingsOf } from '../services/ownSettings'

export default staffRoute((context) => settingsOf(context))
