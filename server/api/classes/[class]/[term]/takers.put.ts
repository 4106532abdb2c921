import { takersToWrite } from '../../../../../contracts/takers'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { writeTakers } from '../../../../services/takers'

export default staffRoute(async (context, event) => ({
  event: await writeTakers(context, classAndTermOf(event), await bodyOf(event, takersToWrite)),
}))
