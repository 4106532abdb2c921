import { levelsToSettle } from '../../../../../contracts/settle'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { settleLevels } from '../../../../services/settle'

export default staffRoute(async (context, event) => {
  const { levels } = await bodyOf(event, levelsToSettle)
  return { event: await settleLevels(context, classAndTermOf(event), levels) }
})
