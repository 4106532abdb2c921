import { getQuery } from 'h3'
import { historyAsked } from '../../../../../contracts/history'
import { checked } from '../../../../http/body'
import { placeOf, staffRoute } from '../../../../http/staffRoute'
import { viewHistory } from '../../../../services/history'

export default staffRoute((context, event) =>
  viewHistory(context, placeOf(event), checked(getQuery(event), historyAsked)),
)
