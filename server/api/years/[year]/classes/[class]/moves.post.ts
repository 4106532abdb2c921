import { studentToMove } from '../../../../../../contracts/classes'
import { bodyOf } from '../../../../../http/body'
import { idOf, staffRoute } from '../../../../../http/staffRoute'
import { moveStudent } from '../../../../../services/classes'

export default staffRoute(async (context, event) => ({
  event: await moveStudent(
    context,
    { yearId: idOf(event, 'year'), classId: idOf(event, 'class') },
    await bodyOf(event, studentToMove),
  ),
}))
