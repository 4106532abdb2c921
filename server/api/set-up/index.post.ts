import { schoolToSetUp } from '../../../contracts/setUp'
import { countKeyTried } from '../../access/signInAttempts'
import { database } from '../../data/database'
import { bodyOf } from '../../http/body'
import { addressOf } from '../../http/ownPage'
import { anyRoute } from '../../http/staffRoute'
import { setUpSchool } from '../../services/firstSetUp'

export default anyRoute(async (event) => {
  const wanted = await bodyOf(event, schoolToSetUp)
  const address = addressOf(event)
  await countKeyTried(database(), address)
  await setUpSchool(database(), wanted, address)
  return { done: true }
})
