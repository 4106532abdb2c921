import { settingsToWrite } from '../../contracts/ownSettings'
import { bodyOf } from '../http/body'
import { staffRoute } from '../http/staffRoute'
import { writeSettings } from '../services/ownSettings'

export default staffRoute(async (context, event) => ({
  event: await writeSettings(context, await bodyOf(event, settingsToWrite)),
}))
