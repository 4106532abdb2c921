import { spawn } from 'node:child_process'

/** Starts the web and the press beside each other. @returns both, and how to stop them */
export function startProcesses({ databaseUrl, port, secret, dev = false, quiet = false }) {
  const env = {
    ...process.env,
    DATABASE_URL: databaseUrl,
    NUXT_SESSION_PASSWORD: secret,
    HOST: '127.0.0.1',
    PORT: String(port),
    NITRO_HOST: '127.0.0.1',
    NITRO_PORT: String(port),
    NODE_ENV: dev ? 'development' : 'production',
  }
  const stdio = ['ignore', quiet ? 'ignore' : 'pipe', 'inherit']
  const web = dev
    ? spawn('npx', ['nuxt', 'dev', '--port', String(port), '--host', '127.0.0.1'], {
        env,
        stdio: ['ignore', 'inherit', 'inherit'],
      })
    : spawn(process.execPath, ['.output/server/index.mjs'], { env, stdio })
  const press = spawn(process.execPath, ['--import', 'tsx', 'press/press.ts'], { env, stdio })
  return {
    web,
    press,
    stop: () =>
      Promise.all(
        [web, press].map(
          (child) =>
            new Promise((done) => {
              if (child.exitCode !== null || child.signalCode !== null) return done()
              child.once('exit', done)
              child.kill('SIGTERM')
            }),
        ),
      ),
  }
}

/** Waits until the web answers that it is healthy. */
export async function whenHealthy(port, seconds = 60) {
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
