import { getCookie, setCookie } from 'h3'
import { signIn } from '../../../contracts/session'
import { Refusal } from '../../access/refusal'
import { countAttempt, deviceMark, forgiveAttempts, isKnownDevice } from '../../access/signInAttempts'
import { database } from '../../data/database'
import { personBySignIn } from '../../data/people'
import { bodyOf } from '../../http/body'
import { addressOf } from '../../http/ownPage'
import { anyRoute } from '../../http/staffRoute'
import { signedIn } from '../../services/desk'

const deviceCookie = 'facunda-device'
/** A device remembers so many people. */
const mostMarks = 6

export default anyRoute(async (event) => {
  const { name, password } = await bodyOf(event, signIn, 8 * 1024)
  const { password: secret, cookie } = useRuntimeConfig(event).session
  const marks = getCookie(event, deviceCookie) ?? ''
  const address = addressOf(event)
  const attempt = { name, address, knownDevice: isKnownDevice(secret, name, marks) }
  await countAttempt(database(), attempt)
  const person = await personBySignIn(database(), { name, password, address })
  if (!person) throw new Refusal('forbidden', 'The name or the password is not right.')
  await forgiveAttempts(database(), attempt)
  await replaceUserSession(event, { user: { id: person.id, epoch: person.session_epoch } })
  const kept = new Set([deviceMark(secret, name), ...marks.split('.').filter(Boolean)])
  setCookie(event, deviceCookie, [...kept].slice(0, mostMarks).join('.'), {
    httpOnly: true,
    sameSite: 'strict',
    secure: Boolean(cookie && cookie.secure),
    path: '/api/session',
    maxAge: 60 * 60 * 24 * 365,
  })
  return signedIn(person)
})
