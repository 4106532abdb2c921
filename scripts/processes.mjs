import { spawn } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { programArguments } from './packages.mjs'
import { webOptions } from './webOptions.mjs'

/** Seconds that a process has to live for a new start to be tried at once; else the pause grows up to the longest. */
const settledAfter = 30
const longestPause = 20

/**
 * Keeps a process running: one that ends is started again, after a pause that grows while it does not hold.
 * @param begin starts it
 * @returns its number now, and how to stop it for good
 */
function keepRunning(name, begin, started = () => {}) {
  let child = null
  let pause = 0.5
  let stopping = false
  const start = () => {
    const since = Date.now()
    child = begin()
    started()
    child.once('exit', (code, signal) => {
      if (stopping) return
      pause = Date.now() - since > settledAfter * 1000 ? 0.5 : Math.min(longestPause, pause * 2)
      console.error(`The ${name} ended (${signal ?? code}); it is started again in ${pause} s.`)
      setTimeout(() => {
        if (!stopping) start()
      }, pause * 1000)
    })
  }
  start()
  return {
    pid: () => child?.pid,
    stop: () =>
      new Promise((done) => {
        stopping = true
        if (!child || child.exitCode !== null || child.signalCode !== null) return done()
        child.once('exit', done)
        child.kill('SIGTERM')
      }),
  }
}

/** Starts the web and the press beside each other and keeps them running. @returns both, and how to stop them */
export function startProcesses({
  databaseUrl,
  port,
  secret,
  dev = false,
  quiet = false,
  pidFile = null,
  setUpKey = '',
}) {
  const env = {
    ...process.env,
    DATABASE_URL: databaseUrl,
    NUXT_SESSION_PASSWORD: secret,
    FACUNDA_SETUP_KEY: setUpKey,
    HOST: '127.0.0.1',
    PORT: String(port),
    NITRO_HOST: '127.0.0.1',
    NITRO_PORT: String(port),
    NODE_ENV: dev ? 'development' : 'production',
  }
  // Who wants to know which processes there are now (a test that kills them) finds their numbers here.
  const note = () => {
    if (pidFile && web && press) writeFileSync(pidFile, JSON.stringify({ web: web.pid(), press: press.pid() }))
  }
  const options = webOptions()
  const pressArguments = dev ? ['--import', 'tsx', 'press/press.ts'] : programArguments('press/press.ts')
  let web = null
  let press = null
  const stdio = ['ignore', quiet ? 'ignore' : 'inherit', 'inherit']
  web = keepRunning(
    'web',
    () =>
      dev
        ? spawn('npx', ['nuxt', 'dev', '--port', String(port), '--host', '127.0.0.1'], {
            env,
            stdio: ['ignore', 'inherit', 'inherit'],
          })
        : spawn(process.execPath, [...options, '.output/server/index.mjs'], { env, stdio }),
    note,
  )
  press = keepRunning(
    'press',
    () =>
      spawn(process.execPath, pressArguments, {
        env: { ...env, FACUNDA_CONNECTIONS: env.FACUNDA_PRESS_CONNECTIONS ?? '3' },
        stdio,
      }),
    note,
  )
  note()
  return { web, press, stop: () => Promise.all([web.stop(), press.stop()]) }
}

/** Waits until the web answers that it is healthy. */
export async function whenHealthy(port, seconds = 180) {
  const until = Date.now() + seconds * 1000
  while (Date.now() < until) {
    try {
      const answer = await fetch(`http://127.0.0.1:${port}/api/health`)
      if (answer.ok) return
    } catch {
      // Not listening yet: tried again below.
    }
    await new Promise((done) => setTimeout(done, 150))
  }
  throw new Error('The web process did not become healthy in time.')
}
