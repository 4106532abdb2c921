import { phrasesToWrite } from '../../../../../contracts/phrasebook'
import { bodyOf } from '../../../../http/body'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { writePhrases } from '../../../../services/phrasebook'

/** Twenty thousand phrases, each with what its writer saw. */
const largestPhrasebook = 16 * 1024 * 1024

export default staffRoute(async (context, event) => ({
  event: await writePhrases(context, idOf(event, 'year'), await bodyOf(event, phrasesToWrite, largestPhrasebook)),
}))
