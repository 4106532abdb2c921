import { setupToWrite } from '../../../../../contracts/ownSetup'
import { allow, changesSchool } from '../../../../access/grants'
import { bodyOf, largestSetup } from '../../../../http/body'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { writeOwnSetup } from '../../../../services/ownSetup'

export default staffRoute(async (context, event) => {
  allow(changesSchool(context.who), 'change the school’s set-up')
  const { changes } = await bodyOf(event, setupToWrite, largestSetup)
  return { event: await writeOwnSetup(context, idOf(event, 'year'), changes) }
})
