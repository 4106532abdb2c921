import { spawn } from 'node:child_process'
import { availableParallelism } from 'node:os'
import { freePort, startCluster } from './cluster.mjs'
import { startProcesses, whenHealthy } from './processes.mjs'
import { sessionSecret } from './secrets.mjs'

/** So many tests run at once at most: each has an application, a database and a browser of its own to feed. */
const mostApps = 2

/**
 * The application as often as tests run at once, each with the demo school in a database cluster of its own, so that a
 * test may change, kill and stop what it likes. With a server of somebody's own there is one.
 * @param own the address of a database of somebody's own; it is wiped
 * @returns what the tests are told of them, how to bring the demo back, and how to stop them all
 */
export async function startApps(folder, own) {
  const count = own ? 1 : Math.min(mostApps, availableParallelism())
  const apps = []
  for (let nth = 0; nth < count; nth += 1) {
    const home = `${folder}/test-cluster-${nth}`
    const cluster = own ? null : await startCluster(home)
    const port = await freePort()
    apps.push({
      cluster,
      port,
      processes: null,
      env: {
        DATABASE_URL: own ?? cluster.url('facunda_test'),
        FACUNDA_URL: `http://127.0.0.1:${port}`,
        FACUNDA_PROCESSES: `${folder}/results/processes-${nth}.json`,
        ...(cluster ? { FACUNDA_CLUSTER: home } : {}),
      },
    })
  }
  return {
    env: { FACUNDA_APPS: JSON.stringify(apps.map(({ env }) => env)) },
    begin: () => Promise.all(apps.map((app) => beginAgain(app, folder))),
    stop: async () => {
      await Promise.all(apps.map(({ processes }) => processes?.stop()))
      for (const { cluster } of apps) cluster?.stop()
    },
  }
}

/** Stops the application where it runs, brings the demo school back and starts it. */
async function beginAgain(app, folder) {
  await app.processes?.stop()
  await loadDemo(app.env)
  app.processes = startProcesses({
    databaseUrl: app.env.DATABASE_URL,
    port: app.port,
    secret: sessionSecret(`${folder}/test-secret`),
    quiet: true,
    pidFile: app.env.FACUNDA_PROCESSES,
  })
  await whenHealthy(app.port)
}

function loadDemo(env) {
  const script = ['--import', 'tsx', 'scripts/prepareDatabase.ts', '--reset', '--demo']
  return new Promise((done, failed) => {
    const child = spawn(process.execPath, script, { stdio: 'inherit', env: { ...process.env, ...env } })
    child.once('error', failed)
    child.once('exit', (status) => (status === 0 ? done() : failed(new Error('The demo school could not be loaded.'))))
  })
}
