import { passwordToChoose } from '../../../contracts/people'
import { database } from '../../data/database'
import { bodyOf } from '../../http/body'
import { today } from '../../data/today'
import { addressOf } from '../../http/ownPage'
import { anyRoute } from '../../http/staffRoute'
import { choosePassword } from '../../services/people'

export default anyRoute(async (event) => {
  const { password } = await bodyOf(event, passwordToChoose, 8 * 1024)
  await choosePassword(
    database(),
    getRouterParam(event, 'token') ?? '',
    { password, address: addressOf(event) },
    today(),
  )
  return { chosen: true }
})
