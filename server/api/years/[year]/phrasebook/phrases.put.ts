import { phrasesToWrite } from '../../../../../contracts/phrasebook'
import { bodyOf, largestSetup } from '../../../../http/body'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { writePhrases } from '../../../../services/phrasebook'

export default staffRoute(async (context, event) => ({
  event: await writePhrases(context, idOf(event, 'year'), await bodyOf(event, phrasesToWrite, largestSetup)),
}))
