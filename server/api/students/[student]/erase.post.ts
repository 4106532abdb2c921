import { studentToErase } from '../../../../contracts/privacy'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { eraseStudent } from '../../../services/privacy'

export default staffRoute(async (context, event) => {
  await eraseStudent(context, idOf(event, 'student'), await bodyOf(event, studentToErase))
  return { erased: true }
})
