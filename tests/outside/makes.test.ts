import { expect, it } from 'vitest'
import { collections, howItComesIn, makesIn } from '../makes/makes'

// Gradebook files of 224 makes, written by hand before the code that reads them (tests/makes/README.md).
const makes = collections.flatMap((each) => makesIn(each).map((make) => [make.name, make] as const))
/** The first has nothing but first names: all are asked about in one step. In the second a cell has two scores. */
const asked = new Map([
  ['154 only first names', 'corrected'],
  ['211 retakes in brackets', 'not'],
])

it.each(makes.filter(([name]) => !asked.has(name)))('%s comes in without a correction', (_, make) => {
  const { how, came } = howItComesIn(make)
  expect({ how, came }).toEqual({ how: 'at once', came: expect.arrayContaining([...make.expected]) as string[] })
})

it('two others ask', () => {
  const others = makes.filter(([name]) => asked.has(name))
  expect(new Map(others.map(([name, make]) => [name, howItComesIn(make).how]))).toEqual(asked)
})
