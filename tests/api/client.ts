import { readFileSync } from 'node:fs'

/** The demo's sign-ins, from its own file. */
const passwords = new Map(
  readFileSync(new URL('../../demo/school/people.csv', import.meta.url), 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => {
      const cells = line.split(',')
      return [cells[0] ?? '', cells[4] ?? '']
    }),
)

/** The name and the password of one of them. */
export function demoSignIn(name: string): [name: string, password: string] {
  return [name, passwords.get(name) ?? '']
}

export const address = process.env.FACUNDA_URL ?? ''

export interface Answer<T> {
  status: number
  body: T
  headers: Headers
}

export type Client = <T = Record<string, unknown>>(
  method: string,
  path: string,
  body?: object | Uint8Array,
  headers?: Record<string, string>,
) => Promise<Answer<T>>

/** Clients that are signed in as people of the demo, in their order. */
export async function allSignedIn<const Names extends readonly string[]>(
  ...names: Names
): Promise<{ -readonly [Nth in keyof Names]: Client }> {
  return (await Promise.all(names.map(signedInAs))) as { -readonly [Nth in keyof Names]: Client }
}

/** A client that is signed in as one of the demo's people, or as nobody; with its cookies, as a header. */
export async function signedInAs(name: string | null): Promise<Client & { cookies: () => string }> {
  const cookies = new Map<string, string>()
  const ask = async <T>(
    method: string,
    path: string,
    body?: object | Uint8Array,
    more: Record<string, string> = {},
  ) => {
    const isBytes = body instanceof Uint8Array
    const answer = await fetch(`${address}${path}`, {
      method,
      headers: {
        cookie: [...cookies.values()].join('; '),
        ...(method === 'GET' ? {} : { 'content-type': `application/${isBytes ? 'octet-stream' : 'json'}` }),
        ...more,
      },
      ...(body || method === 'POST' ? { body: isBytes ? new Uint8Array(body) : JSON.stringify(body ?? {}) } : {}),
    })
    // A stream has no end to wait for: it is read by who asked for one.
    const isStream = answer.headers.get('content-type')?.includes('event-stream') ?? false
    if (isStream && more.accept !== 'text/event-stream') await answer.body?.cancel()
    const isJson = answer.headers.get('content-type')?.includes('json') ?? false
    for (const set of answer.headers.getSetCookie()) {
      const [pair = ''] = set.split(';')
      cookies.set(pair.split('=')[0] ?? '', pair)
    }
    return {
      status: answer.status,
      headers: answer.headers,
      body: (isStream ? answer.body : isJson ? await answer.json() : new Uint8Array(await answer.arrayBuffer())) as T,
    }
  }
  const client = Object.assign(ask, { cookies: () => [...cookies.values()].join('; ') })
  if (name !== null) {
    const { status } = await ask('POST', '/api/session', { name, password: passwords.get(name) })
    if (status !== 200) throw new Error(`${name} could not sign in: ${status}`)
  }
  return client
}
