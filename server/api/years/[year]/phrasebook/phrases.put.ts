import { phrasesToWrite } from '../../../../../contracts/phrasebook'
import { changesSchool } from '../../../../access/grants'
import { bodyOf, largestJson, largestSetup } from '../../../../http/body'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { writePhrases } from '../../../../services/phrasebook'

/** The school's book comes whole; one's own phrases a few at a time. */
export default staffRoute(async (context, event) => {
  const most = changesSchool(context.who) ? largestSetup : largestJson
  return { event: await writePhrases(context, idOf(event, 'year'), await bodyOf(event, phrasesToWrite, most)) }
})
