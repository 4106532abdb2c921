import { schoolToSetUp } from '../../../contracts/setUp'
import { countAttempt } from '../../access/signInAttempts'
import { database } from '../../data/database'
import { bodyOf } from '../../http/body'
import { addressOf } from '../../http/ownPage'
import { anyRoute } from '../../http/staffRoute'
import { setUpSchool } from '../../services/firstSetUp'

export default anyRoute(async (event) => {
  const wanted = await bodyOf(event, schoolToSetUp)
  await countAttempt(database(), { name: 'set up', address: addressOf(event), knownDevice: false })
  await setUpSchool(database(), wanted)
  return { done: true }
})
