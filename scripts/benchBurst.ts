import { percentiles } from './benchTimes'

/** One address of the bench's web. */
interface Asked {
  readonly address: string
  readonly cookie: string
  /** Where a class is read. */
  readonly path: string
}

/**
 * How long somebody who is signed in waits for their class, and whoever watches for the server's health, while a
 * hundred wrong passwords come at once from one address.
 */
export async function burstTimes({ address, cookie, path }: Asked): Promise<string[]> {
  const guess = (nth: number) =>
    fetch(`${address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: `stranger ${nth}`, password: `guess ${nth}` }),
    }).then((answer) => answer.status)
  let isOver = false
  const begun = performance.now()
  const burst = Promise.all(Array.from({ length: 100 }, (_, nth) => guess(nth))).then((statuses) => {
    isOver = true
    return statuses
  })
  const times = { class: [] as number[], health: [] as number[] }
  const statuses = new Set<number>()
  while (!isOver) {
    for (const [what, url] of [
      ['class', `${address}${path}`],
      ['health', `${address}/api/health`],
    ] as const) {
      const from = performance.now()
      const answer = await fetch(url, { headers: { cookie } })
      await answer.arrayBuffer()
      times[what].push(performance.now() - from)
      statuses.add(answer.status)
    }
    await new Promise((next) => setTimeout(next, 50))
  }
  const took = performance.now() - begun
  const told = (what: keyof typeof times): string => `${percentiles(times[what])} (${times[what].length} times)`
  return [
    `  100 wrong passwords at once        looked at in ${(took / 1000).toFixed(1)} s (${[...new Set(await burst)].join(', ')})`,
    `  … a class meanwhile                ${told('class')}; answered ${[...statuses].join(', ')}`,
    `  … health meanwhile                 ${told('health')}`,
  ]
}
