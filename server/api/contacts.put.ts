import { contactsToWrite } from '../../contracts/care'
import { bodyOf } from '../http/body'
import { staffRoute } from '../http/staffRoute'
import { writeContacts } from '../services/care'

export default staffRoute(async (context, event) => ({
  event: await writeContacts(context, (await bodyOf(event, contactsToWrite)).contacts),
}))
