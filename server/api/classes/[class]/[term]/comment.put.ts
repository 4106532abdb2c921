import { commentToWrite } from '../../../../../contracts/write'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { writeComment } from '../../../../services/write'

export default staffRoute(async (context, event) =>
  writeComment(context, classAndTermOf(event), await bodyOf(event, commentToWrite)),
)
