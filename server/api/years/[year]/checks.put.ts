import { checksToWrite } from '../../../../contracts/phrasebook'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { writeChecks } from '../../../services/phrasebook'

export default staffRoute(async (context, event) => ({
  event: await writeChecks(context, idOf(event, 'year'), await bodyOf(event, checksToWrite)),
}))
