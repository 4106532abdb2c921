import { undoAsked } from '../../../../contracts/history'
import { Refusal } from '../../../access/refusal'
import { bodyOf } from '../../../http/body'
import { staffRoute } from '../../../http/staffRoute'
import { undo } from '../../../services/undo'

export default staffRoute(async (context, event) => {
  const id = Number(getRouterParam(event, 'event'))
  if (!Number.isSafeInteger(id) || id < 1) throw new Refusal('not found', 'There is nothing to undo.')
  const { seen = null } = await bodyOf(event, undoAsked)
  return undo(context, id, seen)
})
