import { signIn } from '../../../contracts/session'
import { Refusal } from '../../access/refusal'
import { countAttempt, forgiveAttempts } from '../../access/signInAttempts'
import { database } from '../../data/database'
import { personBySignIn } from '../../data/people'
import { anyRoute, bodyOf } from '../../http/staffRoute'
import { signedIn } from '../../services/desk'

export default anyRoute(async (event) => {
  const { name, password } = await bodyOf(event, signIn)
  const from = getRequestIP(event) ?? 'unknown'
  await countAttempt(database(), name, from)
  const person = await personBySignIn(database(), name, password)
  if (!person) throw new Refusal('forbidden', 'The name or the password is not right.')
  await forgiveAttempts(database(), name, from)
  await replaceUserSession(event, { user: { id: person.id } })
  return signedIn(person)
})
