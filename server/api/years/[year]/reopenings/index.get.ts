import { idOf, staffRoute } from '../../../../http/staffRoute'
import { viewReopenings } from '../../../../services/reopenings'

export default staffRoute((context, event) => viewReopenings(context, idOf(event, 'year')))
