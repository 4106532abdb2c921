import { setupToWrite } from '../../../../../contracts/ownSetup'
import { bodyOf, largestSetup } from '../../../../http/body'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { writeOwnSetup } from '../../../../services/ownSetup'

export default staffRoute(async (context, event) => {
  const { changes } = await bodyOf(event, setupToWrite, largestSetup)
  return { event: await writeOwnSetup(context, idOf(event, 'year'), changes) }
})
