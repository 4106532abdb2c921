import { studentsToWrite } from '../../../../../../contracts/classes'
import { bodyOf } from '../../../../../http/body'
import { idOf, staffRoute } from '../../../../../http/staffRoute'
import { writeStudents } from '../../../../../services/classes'

export default staffRoute(async (context, event) => ({
  event: await writeStudents(
    context,
    { yearId: idOf(event, 'year'), classId: idOf(event, 'class') },
    await bodyOf(event, studentsToWrite),
  ),
}))
