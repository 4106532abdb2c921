import { categoriesToWrite } from '../../../../../contracts/categories'
import { bodyOf } from '../../../../http/body'
import { placeOf, staffRoute } from '../../../../http/staffRoute'
import { writeCategories } from '../../../../services/categories'

export default staffRoute(async (context, event) => ({
  event: await writeCategories(context, placeOf(event), await bodyOf(event, categoriesToWrite)),
}))
