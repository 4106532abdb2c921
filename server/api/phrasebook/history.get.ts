import { phraseAsked } from '../../http/phraseAsked'
import { staffRoute } from '../../http/staffRoute'
import { phraseHistory } from '../../services/phrasebook'

export default staffRoute((context, event) => phraseHistory(context, phraseAsked(event)))
