import { planToWrite } from '../../../../../../contracts/phrasebook'
import { bodyOf } from '../../../../../http/body'
import { idOf, staffRoute } from '../../../../../http/staffRoute'
import { writeBoxPlan } from '../../../../../services/phrasebook'

export default staffRoute(async (context, event) => ({
  event: await writeBoxPlan(
    context,
    idOf(event, 'year'),
    getRouterParam(event, 'box') ?? '',
    await bodyOf(event, planToWrite),
  ),
}))
