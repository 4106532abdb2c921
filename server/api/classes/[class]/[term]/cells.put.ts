import { cellsToKeep } from '../../../../../contracts/classList'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { keepCells } from '../../../../services/classList'

export default staffRoute(async (context, event) => {
  const cells = await bodyOf(event, cellsToKeep)
  return { event: await keepCells(context, classAndTermOf(event), cells) }
})
