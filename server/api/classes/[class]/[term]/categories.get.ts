import { getQuery } from 'h3'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { viewCategoriesElsewhere } from '../../../../services/categories'

export default staffRoute((context, event) =>
  viewCategoriesElsewhere(context, classAndTermOf(event), String(getQuery(event).subject ?? '')),
)
