import { staffRoute } from '../../http/staffRoute'
import { signedIn } from '../../services/desk'

export default staffRoute(async ({ db, who }) => {
  const person = await db('person').where({ id: who.personId }).first()
  return person ? signedIn(person) : null
})
