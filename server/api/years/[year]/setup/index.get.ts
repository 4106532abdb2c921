import { createHash } from 'node:crypto'
import { getRequestHeader, setResponseHeaders, setResponseStatus } from 'h3'
import { idOf, staffRoute } from '../../../../http/staffRoute'
import { yearOf } from '../../../../services/context'
import { viewSetup } from '../../../../services/viewClass'

/** A year's set-up, fetched once: a browser that has this version is told so and nothing else. */
export default staffRoute(async (context, event) => {
  const { id, version } = yearOf(context, idOf(event, 'year'))
  const whose = JSON.stringify([version, context.who])
  const tag = `"${createHash('sha256').update(whose).digest('base64url').slice(0, 22)}"`
  setResponseHeaders(event, { 'etag': tag, 'cache-control': 'private, no-cache' })
  if (getRequestHeader(event, 'if-none-match')?.includes(tag)) {
    setResponseStatus(event, 304)
    return undefined
  }
  return viewSetup(context, id)
})
