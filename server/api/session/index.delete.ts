import { anyRoute } from '../../http/staffRoute'

export default anyRoute(async (event) => {
  await clearUserSession(event)
  return { signedOut: true }
})
