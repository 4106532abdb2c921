import { categoriesToWrite } from '../../../../../contracts/categories'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { writeCategories } from '../../../../services/categories'

export default staffRoute(async (context, event) => ({
  event: await writeCategories(context, classAndTermOf(event), await bodyOf(event, categoriesToWrite)),
}))
