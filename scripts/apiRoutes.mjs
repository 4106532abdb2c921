import { readdirSync } from 'node:fs'

/**
 * Every route of the server, read from the disk: server/api/runs/[run]/stop.post.ts answers POST at
 * /api/runs/:run/stop.
 */
export function apiRoutes(folder = 'server/api') {
  return readdirSync(folder, { recursive: true })
    .map((file) => String(file).replaceAll('\\', '/'))
    .flatMap((file) => {
      const parts = /^(.*)\.(get|post|put|delete)\.ts$/.exec(file)
      if (!parts) return []
      const path = `/api/${parts[1].replace(/\[([^\]]+)\]/g, ':$1')}`.replace(/\/index$/, '')
      return [{ path, method: parts[2].toUpperCase() }]
    })
    .sort((a, b) => (a.path < b.path ? -1 : 1))
}
