import { phraseAsked } from '../../../../http/phraseAsked'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { phraseHistory } from '../../../../services/phrasebook'

export default staffRoute((context, event) => phraseHistory(context, idOf(event, 'year'), phraseAsked(event)))
