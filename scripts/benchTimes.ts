/** How long something takes, each time, in ms. */
export async function timesOf(times: number, work: () => Promise<unknown>): Promise<number[]> {
  const all: number[] = []
  for (let nth = 0; nth < times; nth += 1) {
    const from = performance.now()
    await work()
    all.push(performance.now() - from)
  }
  return all
}

/**
 * Everybody does something so many times, all at once, each one after the other.
 * @param every milliseconds between two beginnings of one person, who begins at a moment of the own; 0 for no pause
 */
export async function together(
  teachers: string[],
  times: number,
  work: (cookie: string, nth: number) => Promise<unknown>,
  every = 0,
): Promise<number[]> {
  const all = await Promise.all(
    teachers.map(async (cookie, nth) => {
      const spent: number[] = []
      if (every > 0) await later((every * nth) / teachers.length)
      for (let time = 0; time < times; time += 1) {
        const [took = 0] = await timesOf(1, () => work(cookie, nth))
        spent.push(took)
        if (every > took) await later(every - took)
      }
      return spent
    }),
  )
  return all.flat()
}

/** How long health takes to answer at most, in ms, while something is done. */
export async function slowestHealth(address: string, work: () => Promise<unknown>): Promise<number> {
  let working = true
  const done = work().finally(() => {
    working = false
  })
  const took: number[] = []
  while (working || took.length < 20) {
    took.push(...(await timesOf(1, () => fetch(`${address}/api/health`))))
    await later(20)
  }
  await done
  return Math.max(...took)
}

/** Waits. */
export function later(milliseconds: number): Promise<void> {
  return new Promise((done) => setTimeout(done, milliseconds))
}

/** The middle and the slowest twentieth, in words. */
export function percentiles(times: number[]): string {
  const sorted = [...times].sort((a, b) => a - b)
  const at = (share: number): number => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0
  return `p50 ${at(0.5).toFixed(0)} ms, p95 ${at(0.95).toFixed(0)} ms`
}
