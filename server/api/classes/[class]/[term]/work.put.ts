import { workToWrite } from '../../../../../contracts/results'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { writeWork } from '../../../../services/results'

export default staffRoute(async (context, event) => {
  const wanted = await bodyOf(event, workToWrite)
  return { event: await writeWork(context, classAndTermOf(event), wanted) }
})
