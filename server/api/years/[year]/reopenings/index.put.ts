import { reopeningToWrite } from '../../../../../contracts/reopenings'
import { bodyOf } from '../../../../http/body'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { writeReopening } from '../../../../services/reopenings'

export default staffRoute(async (context, event) => ({
  event: await writeReopening(context, idOf(event, 'year'), await bodyOf(event, reopeningToWrite)),
}))
