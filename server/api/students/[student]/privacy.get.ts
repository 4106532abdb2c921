import { idOf, staffRoute } from '../../../http/staffRoute'
import { viewStudentPrivacy } from '../../../services/privacy'

export default staffRoute((context, event) => viewStudentPrivacy(context, idOf(event, 'student')))
