import { contactsToWrite } from '../../contracts/privacy'
import { bodyOf } from '../http/body'
import { staffRoute } from '../http/staffRoute'
import { writeContacts } from '../services/privacy'

export default staffRoute(async (context, event) => ({
  event: await writeContacts(context, (await bodyOf(event, contactsToWrite)).contacts),
}))
