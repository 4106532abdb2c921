import { staffRoute } from '../http/staffRoute'
import { viewDesk } from '../services/desk'

export default staffRoute((context) => viewDesk(context))
