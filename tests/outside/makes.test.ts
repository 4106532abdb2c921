import { expect, it } from 'vitest'
import { collections, howItComesIn, makesIn } from '../makes/makes'

// Gradebook files of 184 makes, written by hand before the code that reads them (tests/makes/README.md).
const makes = collections.flatMap((each) => makesIn(each).map((make) => [make.name, make] as const))
/** Two whose headings a person has to point at: above a row that says “Punkte” of each, and at the foot. */
const asked = new Map([
  ["150 german, with the class test's number above", 'corrected'],
  ['154 only first names', 'not'],
])

it.each(makes.filter(([name]) => !asked.has(name)))('%s comes in without a correction', (_, make) => {
  const { how, came } = howItComesIn(make)
  expect({ how, came }).toEqual({ how: 'at once', came: expect.arrayContaining([...make.expected]) as string[] })
})

it('two others ask for their headings', () => {
  const others = makes.filter(([name]) => asked.has(name))
  expect(new Map(others.map(([name, make]) => [name, howItComesIn(make).how]))).toEqual(asked)
})
