import { expect, it } from 'vitest'
import { collections, howItComesIn, makesIn } from '../makes/makes'

// Gradebook files of 184 makes, written by hand before the code that reads them (tests/makes/README.md).
const makes = collections.flatMap((each) => makesIn(each).map((make) => [make.name, make] as const))
/** Its children have first names only: each is asked about, all in one step. */
const asked = new Map([['154 only first names', 'corrected']])

it.each(makes.filter(([name]) => !asked.has(name)))('%s comes in without a correction', (_, make) => {
  const { how, came } = howItComesIn(make)
  expect({ how, came }).toEqual({ how: 'at once', came: expect.arrayContaining([...make.expected]) as string[] })
})

it('one other asks who its children are', () => {
  const others = makes.filter(([name]) => asked.has(name))
  expect(new Map(others.map(([name, make]) => [name, howItComesIn(make).how]))).toEqual(asked)
})
