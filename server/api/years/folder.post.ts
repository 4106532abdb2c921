import { getQuery } from 'h3'
import { largestFolder } from '../../../contracts/schoolFolder'
import { allow, changesSchool } from '../../access/grants'
import { bodyBytes } from '../../http/body'
import { staffRoute } from '../../http/staffRoute'
import { runInWorker } from '../../workers/runInWorker'

/** The folder's bytes are the body; whether it shall be taken in, or looked at alone, stands in the address. */
export default staffRoute(async (context, event) => {
  allow(changesSchool(context.who), 'take a school folder in')
  const bytes = await bodyBytes(event, largestFolder)
  return runInWorker(context, 'takeFolder', { bytes, take: getQuery(event).take === 'yes' })
})
