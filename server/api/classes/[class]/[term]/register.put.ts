import { registerToKeep } from '../../../../../contracts/evidence'
import { bodyOf, largestEvidence } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { keepRegister } from '../../../../services/register'

export default staffRoute(async (context, event) => {
  const { days } = await bodyOf(event, registerToKeep, largestEvidence)
  return { event: await keepRegister(context, classAndTermOf(event), days) }
})
