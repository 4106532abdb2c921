import { idOf, classAndTermOf, staffRoute } from '../../../../../http/staffRoute'
import { readPhoto } from '../../../../../services/photos'

// Like all else that is told of a child it is kept by no browser: a school's computers are shared.
export default staffRoute(async (context, event) => {
  const photo = await readPhoto(context, classAndTermOf(event), idOf(event, 'student'))
  setResponseHeader(event, 'content-type', 'image/jpeg')
  return photo
})
