import { Refusal } from '../access/refusal'

/** How much is done at once, how much may wait, and what is said to whoever comes when too much does. */
export interface QueueBounds {
  readonly atOnce: number
  /** Of one asker, an address or a person. */
  readonly waitingOfOne: number
  readonly waitingInAll: number
  readonly tooMany: string
}

/** Does work when its turn comes. @throws Refusal when too much waits already */
export type InTurn = <T>(asker: string, work: () => Promise<T>) => Promise<T>

/**
 * Heavy work, a little at a time and fair by who asks: the askers take turns, so that however much one of them brings,
 * another waits for one piece of it.
 * @example const hashing = fairQueue({ atOnce: 1, … }); await hashing(address, () => hash.make(password))
 */
export function fairQueue({ atOnce, waitingOfOne, waitingInAll, tooMany }: QueueBounds): InTurn {
  /** What waits, by asker; the one whose turn is next stands first. */
  const waiting = new Map<string, (() => Promise<unknown>)[]>()
  let inAll = 0
  let running = 0

  function goOn(): void {
    const [next] = waiting
    if (running >= atOnce || next === undefined) return
    const [asker, [work, ...rest]] = next
    waiting.delete(asker)
    if (rest.length > 0) waiting.set(asker, rest)
    inAll -= 1
    running += 1
    void work?.().finally(() => {
      running -= 1
      goOn()
    })
    goOn()
  }

  return (asker, work) => {
    const queue = waiting.get(asker) ?? []
    if (queue.length >= waitingOfOne || inAll >= waitingInAll) return Promise.reject(new Refusal('too often', tooMany))
    return new Promise((done, failed) => {
      queue.push(() => work().then(done, failed))
      waiting.set(asker, queue)
      inAll += 1
      goOn()
    })
  }
}
