import { execFileSync } from 'node:child_process'
import { freePort } from '../../scripts/cluster.mjs'
import { startProcesses, whenHealthy } from '../../scripts/processes.mjs'
import { databaseUrl, openDatabase } from '../../server/data/database'

/** An empty school on a database of its own beside the demo's, with a web and a press for it. */
export interface EmptySchool {
  address: string
  key: string
  stop: () => Promise<void>
}

export async function startEmptySchool(): Promise<EmptySchool> {
  const port = await freePort()
  const url = new URL(databaseUrl())
  const name = `facunda_empty_${port}`
  url.pathname = `/${name}`
  const key = 'test-test-test-test'
  execFileSync(process.execPath, ['--import', 'tsx', 'scripts/prepareDatabase.ts'], {
    env: { ...process.env, DATABASE_URL: url.href },
  })
  const processes = startProcesses({
    databaseUrl: url.href,
    port,
    secret: 'empty'.repeat(8),
    quiet: true,
    setUpKey: key,
  })
  await whenHealthy(port)
  return {
    address: `http://127.0.0.1:${port}`,
    key,
    stop: async () => {
      await processes.stop()
      const admin = openDatabase(databaseUrl())
      await admin.raw('drop database if exists ?? with (force)', [name])
      await admin.destroy()
    },
  }
}
