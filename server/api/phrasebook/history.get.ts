import { Refusal } from '../../access/refusal'
import { staffRoute } from '../../http/staffRoute'
import { phraseHistory } from '../../services/phrasebook'

export default staffRoute(async (context, event) => {
  const { phrase } = getQuery(event)
  if (typeof phrase !== 'string' || phrase === '') throw new Refusal('invalid', 'Say which phrase.')
  return phraseHistory(context, phrase)
})
