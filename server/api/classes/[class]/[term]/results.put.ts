import { resultsToWrite } from '../../../../../contracts/results'
import { bodyOf } from '../../../../http/body'
import { placeOf, staffRoute } from '../../../../http/staffRoute'
import { writeResults } from '../../../../services/results'

export default staffRoute(async (context, event) => {
  const { results } = await bodyOf(event, resultsToWrite)
  return { event: await writeResults(context, placeOf(event), results) }
})
