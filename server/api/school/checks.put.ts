import { checkSettingsSchema } from '../../../core/checks/checkSettingsSchema'
import { bodyOf, staffRoute } from '../../http/staffRoute'
import { writeChecks } from '../../services/phrasebook'

export default staffRoute(async (context, event) => ({
  event: await writeChecks(context, await bodyOf(event, checkSettingsSchema)),
}))
