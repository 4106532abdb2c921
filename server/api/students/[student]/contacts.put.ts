import { contactToWrite } from '../../../../contracts/care'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { writeContact } from '../../../services/care'

export default staffRoute(async (context, event) => ({
  event: await writeContact(context, idOf(event, 'student'), await bodyOf(event, contactToWrite)),
}))
