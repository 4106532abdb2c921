import { phrasesToWrite } from '../../../contracts/phrasebook'
import { bodyOf, staffRoute } from '../../http/staffRoute'
import { writePhrases } from '../../services/phrasebook'

export default staffRoute(async (context, event) => ({
  event: await writePhrases(context, await bodyOf(event, phrasesToWrite)),
}))
