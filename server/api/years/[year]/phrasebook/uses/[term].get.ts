import { phraseAsked } from '../../../../../http/phraseAsked'
import { idOf, staffRoute } from '../../../../../http/staffRoute'
import { phraseUses } from '../../../../../services/phrasebook'

export default staffRoute((context, event) => phraseUses(context, phraseAsked(event), idOf(event, 'term')))
