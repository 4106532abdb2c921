import { getQuery } from 'h3'
import { largestFile } from '../../../../../core/exchange/files/decodeText'
import { keepable } from '../../../../../core/text/plainText'
import { bodyBytes } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { runInWorker } from '../../../../workers/runInWorker'

/** The file's bytes are the body; its name and subject stand in the address. */
export default staffRoute(async (context, event) => {
  const { subject, name } = getQuery(event)
  const bytes = await bodyBytes(event, largestFile)
  return runInWorker(context, 'bringFile', classAndTermOf(event), keepable(String(subject ?? '')), {
    name: keepable(String(name ?? 'file')),
    bytes,
  })
})
