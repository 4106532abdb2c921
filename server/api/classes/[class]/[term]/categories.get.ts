import { getQuery } from 'h3'
import { placeOf, staffRoute } from '../../../../http/staffRoute'
import { viewCategoriesElsewhere } from '../../../../services/categories'

export default staffRoute((context, event) =>
  viewCategoriesElsewhere(context, placeOf(event), String(getQuery(event).subject ?? '')),
)
