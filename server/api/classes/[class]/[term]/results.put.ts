import { resultsToWrite } from '../../../../../contracts/results'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { writeResults } from '../../../../services/results'

export default staffRoute(async (context, event) => {
  const { results } = await bodyOf(event, resultsToWrite)
  return { event: await writeResults(context, classAndTermOf(event), results) }
})
