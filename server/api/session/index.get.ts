import type { PersonRow } from '../../data/people'
import { staffRoute } from '../../http/staffRoute'
import { signedIn } from '../../services/desk'

export default staffRoute(async ({ db, who }) => {
  const person = await db<PersonRow>('person').where({ id: who.personId }).first()
  return person ? signedIn(person) : null
})
