import { idOf, staffRoute } from '../../../http/staffRoute'
import { runFile } from '../../../services/send'

export default staffRoute(async (context, event) => {
  const { name, bytes } = await runFile(context, idOf(event, 'run'))
  setResponseHeaders(event, {
    'content-type': 'application/pdf',
    'cache-control': 'private, no-store',
    'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
  })
  return bytes
})
