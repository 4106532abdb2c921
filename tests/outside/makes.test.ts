import { expect, it } from 'vitest'
import { collections, howItComesIn, makesIn } from '../makes/makes'

// Gradebook files of 104 makes, written by hand before the code that reads them (tests/makes/README.md).
it.each(collections.flatMap((each) => makesIn(each).map((make) => [make.name, make] as const)))(
  '%s comes in without a correction',
  (_, make) => {
    const { how, came } = howItComesIn(make)
    expect({ how, came }).toEqual({ how: 'at once', came: expect.arrayContaining([...make.expected]) as string[] })
  },
)
