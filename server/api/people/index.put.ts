import { personToWrite } from '../../../contracts/people'
import { bodyOf } from '../../http/body'
import { staffRoute } from '../../http/staffRoute'
import { writePerson } from '../../services/people'

export default staffRoute(async (context, event) => ({
  event: await writePerson(context, await bodyOf(event, personToWrite)),
}))
