import { idOf, placeOf, staffRoute } from '../../../../../http/staffRoute'
import { readPhoto } from '../../../../../services/photos'

// A photo is asked for with its fingerprint: another photo has another address.
export default staffRoute(async (context, event) => {
  const photo = await readPhoto(context, placeOf(event), idOf(event, 'student'))
  setResponseHeaders(event, { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=86400, immutable' })
  return photo
})
