import { teachingToWrite } from '../../../contracts/people'
import { bodyOf } from '../../http/body'
import { staffRoute } from '../../http/staffRoute'
import { writeTeaching } from '../../services/people'

export default staffRoute(async (context, event) => ({
  event: await writeTeaching(context, await bodyOf(event, teachingToWrite)),
}))
