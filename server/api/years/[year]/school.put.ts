import { schoolToWrite } from '../../../../contracts/ownSetup'
import { bodyOf } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { writeSchool } from '../../../services/ownSetup'

export default staffRoute(async (context, event) => ({
  event: await writeSchool(context, idOf(event, 'year'), await bodyOf(event, schoolToWrite)),
}))
