import { signOffToWrite } from '../../../../../contracts/signOffs'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { writeSignOff } from '../../../../services/signOffs'

export default staffRoute(async (context, event) => ({
  event: await writeSignOff(context, classAndTermOf(event), await bodyOf(event, signOffToWrite)),
}))
