import { loadPerson } from '../../data/people'
import { staffRoute } from '../../http/staffRoute'
import { signedIn } from '../../services/desk'

export default staffRoute(async ({ db, who }) => {
  const person = await loadPerson(db, who.personId)
  return person ? signedIn(person) : null
})
