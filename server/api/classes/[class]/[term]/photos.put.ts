import { photosToKeep } from '../../../../../contracts/evidence'
import { bodyOf, largestEvidence } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { keepPhotos } from '../../../../services/photos'

export default staffRoute(async (context, event) => {
  const { photos } = await bodyOf(event, photosToKeep, largestEvidence)
  return { event: await keepPhotos(context, classAndTermOf(event), photos) }
})
