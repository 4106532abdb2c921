import { classToWrite } from '../../../../../contracts/classes'
import { bodyOf } from '../../../../http/body'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { writeClass } from '../../../../services/classes'

export default staffRoute(async (context, event) => ({
  event: await writeClass(context, idOf(event, 'year'), await bodyOf(event, classToWrite)),
}))
