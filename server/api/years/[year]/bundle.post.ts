import { getQuery } from 'h3'
import { largestBundle } from '../../../../contracts/bundle'
import { bodyStream } from '../../../http/body'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { takeBundle } from '../../../services/bundle'

/** The bundle's bytes are the body; whether it shall be taken in, or looked at alone, stands in the address. */
export default staffRoute((context, event) =>
  takeBundle(context, idOf(event, 'year'), {
    bytes: bodyStream(event, largestBundle),
    take: getQuery(event).take === 'yes',
  }),
)
