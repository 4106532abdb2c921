import { termToWrite } from '../../../../contracts/classes'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { writeTerm } from '../../../services/classes'

export default staffRoute(async (context, event) => ({
  event: await writeTerm(context, idOf(event, 'year'), await bodyOf(event, termToWrite)),
}))
