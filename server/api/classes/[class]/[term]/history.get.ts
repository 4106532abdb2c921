import { getQuery } from 'h3'
import { historyAsked } from '../../../../../contracts/history'
import { checked } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { viewHistory } from '../../../../services/history'

export default staffRoute((context, event) =>
  viewHistory(context, classAndTermOf(event), checked(getQuery(event), historyAsked)),
)
