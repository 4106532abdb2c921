import { checksToWrite } from '../../../contracts/phrasebook'
import { bodyOf } from '../../http/body'
import { staffRoute } from '../../http/staffRoute'
import { writeChecks } from '../../services/phrasebook'

export default staffRoute(async (context, event) => ({
  event: await writeChecks(context, await bodyOf(event, checksToWrite)),
}))
