import { signOffToWrite } from '../../../../../contracts/signOffs'
import { bodyOf } from '../../../../http/body'
import { placeOf, staffRoute } from '../../../../http/staffRoute'
import { writeSignOff } from '../../../../services/signOffs'

export default staffRoute(async (context, event) => ({
  event: await writeSignOff(context, placeOf(event), await bodyOf(event, signOffToWrite)),
}))
