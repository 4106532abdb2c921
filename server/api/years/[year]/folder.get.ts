import { setResponseHeaders } from 'h3'
import { idOf, staffRoute } from '../../../http/staffRoute'
import { writeWholeFolder } from '../../../services/schoolFolder'

export default staffRoute(async (context, event) => {
  const { name, zip } = await writeWholeFolder(context, idOf(event, 'year'))
  setResponseHeaders(event, {
    'content-type': 'application/zip',
    'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
  })
  return zip
})
