import { setResponseHeaders } from 'h3'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { studentFile } from '../../../services/privacy'

export default staffRoute(async (context, event) => {
  const { name, text } = await studentFile(context, idOf(event, 'student'))
  setResponseHeaders(event, {
    'content-type': 'application/json',
    'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
  })
  return new TextEncoder().encode(text)
})
