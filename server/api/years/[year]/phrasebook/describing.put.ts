import { describingToWrite } from '../../../../../contracts/phrasebook'
import { bodyOf } from '../../../../http/body'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { writeDescribing } from '../../../../services/phrasebook'

export default staffRoute(async (context, event) => ({
  event: await writeDescribing(context, idOf(event, 'year'), await bodyOf(event, describingToWrite)),
}))
