import { expect, it } from 'vitest'
import { howItComesIn, makesIn } from '../makes/makes'

// Forty gradebook files of as many makes, written by hand before the code (tests/makes/README.md).
it.each([...makesIn('seen'), ...makesIn('unread')].map((make) => [make.name, make] as const))(
  '%s comes in without a correction',
  (_, make) => {
    const { how, came } = howItComesIn(make)
    expect({ how, came }).toEqual({ how: 'at once', came: expect.arrayContaining([...make.expected]) as string[] })
  },
)
