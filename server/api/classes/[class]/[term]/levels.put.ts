import { levelsToSettle } from '../../../../../contracts/settle'
import { bodyOf } from '../../../../http/body'
import { placeOf, staffRoute } from '../../../../http/staffRoute'
import { settleLevels } from '../../../../services/settle'

export default staffRoute(async (context, event) => {
  const { levels } = await bodyOf(event, levelsToSettle)
  return { event: await settleLevels(context, placeOf(event), levels) }
})
