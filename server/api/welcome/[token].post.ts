import { passwordToChoose } from '../../../contracts/people'
import { database } from '../../data/database'
import { bodyOf } from '../../http/body'
import { today } from '../../data/today'
import { anyRoute } from '../../http/staffRoute'
import { choosePassword } from '../../services/people'

export default anyRoute(async (event) => {
  const { password } = await bodyOf(event, passwordToChoose, 8 * 1024)
  await choosePassword(database(), getRouterParam(event, 'token') ?? '', password, today())
  return { chosen: true }
})
