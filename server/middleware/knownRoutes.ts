import { createError, defineEventHandler, setResponseHeader } from 'h3'
import { apiRoutes } from '#api-routes'

const known = apiRoutes.map(({ path, method }) => ({
  method,
  pattern: new RegExp(`^${path.replace(/:[^/]+/g, '[^/]+')}$`),
}))

/** An address under /api that nothing answers, or not this way, is said so in JSON; it never gets a page. */
export default defineEventHandler((event) => {
  const path = event.path.split('?')[0] ?? ''
  if (path !== '/api' && !path.startsWith('/api/')) return
  setResponseHeader(event, 'cache-control', 'private, no-store')
  const here = known.filter(({ pattern }) => pattern.test(path.replace(/\/$/, '')))
  if (here.some(({ method }) => method === event.method || (method === 'GET' && event.method === 'HEAD'))) return
  if (here.length === 0) {
    const message = 'There is nothing at this address.'
    throw createError({ statusCode: 404, message, data: { kind: 'not found', message } })
  }
  const methods = here.map(({ method }) => method).join(', ')
  setResponseHeader(event, 'allow', methods)
  const message = `This address answers ${methods} only.`
  throw createError({ statusCode: 405, message, data: { kind: 'not taken', message } })
})
