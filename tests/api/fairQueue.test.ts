import { expect, it } from 'vitest'
import { fairQueue } from '../../server/workers/fairQueue'

// Heavy work is done a little at a time, and fairly by address.

const inTurn = fairQueue({ atOnce: 1, waitingOfOne: 150, waitingInAll: 600, tooMany: 'Very many' })

it('lets an address with one piece of work wait for few of those of another with many; refuses too many', async () => {
  const done: string[] = []
  const held: (() => void)[] = []
  const work = (name: string) => () =>
    new Promise<void>((finish) =>
      held.push(() => {
        done.push(name)
        finish()
      }),
    )
  const many = Array.from({ length: 40 }, (_, nth) => inTurn('many', work(`many ${nth}`)))
  const atOnce = held.length
  const one = inTurn('one', work('one'))
  const rest = Array.from({ length: 150 - 40 + atOnce }, () => inTurn('many', work('rest')))
  await expect(inTurn('many', work('too many'))).rejects.toThrow('Very many')
  let settled = false
  const all = Promise.all([...many, one, ...rest]).then(() => (settled = true))
  for (let nth = 0; !settled; nth += 1) {
    held[nth]?.()
    await new Promise((next) => setImmediate(next))
  }
  await all
  expect(done.indexOf('one')).toBeLessThanOrEqual(2 * atOnce)
  expect(done.filter((name) => name.startsWith('many ')).map((name) => Number(name.slice(5)))).toEqual(
    Array.from({ length: 40 }, (_, nth) => nth),
  )
  // What fails makes room for the next.
  await expect(inTurn('many', () => Promise.reject(new Error('no')))).rejects.toThrow('no')
  expect(await inTurn('many', () => Promise.resolve(7))).toBe(7)
})
