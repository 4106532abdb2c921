import { expect, it } from 'vitest'
import { collections, howItComesIn, makesIn } from '../makes/makes'

// Gradebook files of 504 makes, written by hand before the code that reads them (tests/makes/README.md).
const makes = collections.flatMap((each) => makesIn(each).map((make) => [make.name, make] as const))
/** Those where a person has to be asked, or that do not come in. */
const asked = new Map([
  // Nothing but first names, with initials or without: all are asked about in one step.
  ['154 only first names', 'corrected'],
  ['287 first names with an initial', 'corrected'],
  ['267 a mark of ten as whole numbers, with a plus', 'corrected'],
  ['403 with remarks in brackets behind names', 'corrected'],
  ['475 given names only, all different', 'corrected'],
  // A family name without a given one, an initial, or more than a name.
  ['308 german class list, oral and written marks', 'corrected'],
  ['318 surname only, with initials', 'corrected'],
  ['327 with the year group and form in one column', 'corrected'],
  ['344 reversed scores kept apart by a slash in the name column', 'corrected'],
  // Scaled scores, mostly above 100 with no maximum, are none out of 100.
  ['333 a tracker with the target beside', 'not'],
  // A cell has two scores.
  ['211 retakes in brackets', 'not'],
  ['268 long, each child a block', 'not'],
  ['286 scores as words and numbers apart by a colon', 'not'],
])

it.each(makes.filter(([name]) => !asked.has(name)))('%s comes in without a correction', (_, make) => {
  const { how, came } = howItComesIn(make)
  expect({ how, came }).toEqual({ how: 'at once', came: expect.arrayContaining([...make.expected]) as string[] })
})

it('the others ask, or do not', () => {
  const others = makes.filter(([name]) => asked.has(name))
  expect(new Map(others.map(([name, make]) => [name, howItComesIn(make).how]))).toEqual(asked)
})
