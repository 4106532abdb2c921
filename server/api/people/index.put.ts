import { peopleToWrite } from '../../../contracts/people'
import { bodyOf } from '../../http/body'
import { staffRoute } from '../../http/staffRoute'
import { writePeople } from '../../services/people'

export default staffRoute(async (context, event) => ({
  event: await writePeople(context, (await bodyOf(event, peopleToWrite)).people),
}))
