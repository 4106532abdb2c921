import { defineEventHandler, setResponseHeader } from 'h3'
import { apiRoutes } from '#api-routes'
import { Refusal } from '../access/refusal'
import { refused } from '../http/refusals'

const known = apiRoutes.map(({ path, method }) => ({
  method,
  pattern: new RegExp(`^${path.replace(/:[^/]+/g, '[^/]+')}$`),
}))

/** An address under /api that nothing answers, or not this way, is said so in JSON; it never gets a page. */
export default defineEventHandler((event) => {
  const path = event.path.split('?')[0] ?? ''
  if (path !== '/api' && !path.startsWith('/api/')) return
  const here = known.filter(({ pattern }) => pattern.test(path.replace(/\/$/, '')))
  if (here.some(({ method }) => method === event.method || (method === 'GET' && event.method === 'HEAD'))) return
  if (here.length === 0) return refused(event, new Refusal('not found', 'There is nothing at this address.'))
  const methods = here.map(({ method }) => method).join(', ')
  setResponseHeader(event, 'allow', methods)
  return refused(event, new Refusal('not answered', `This address answers ${methods} only.`))
})
