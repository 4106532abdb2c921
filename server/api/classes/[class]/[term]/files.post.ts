import { largestFile } from '../../../../../core/exchange/decodeText'
import { Refusal } from '../../../../access/refusal'
import { placeOf, staffRoute } from '../../../../http/staffRoute'
import { bringFile } from '../../../../services/gather'

/** The file's bytes are the body; its name and subject stand in the address. */
export default staffRoute(async (context, event) => {
  const { subject, name } = getQuery(event)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > largestFile) {
    throw new Refusal(
      'invalid',
      `The file is larger than ${largestFile / 1024 / 1024} MB. A gradebook is much smaller: is this the right file?`,
    )
  }
  const bytes = await readRawBody(event, false)
  return bringFile(context, placeOf(event), String(subject ?? ''), String(name ?? 'file'), bytes ?? new Uint8Array())
})
