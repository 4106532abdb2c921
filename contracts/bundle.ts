import { z } from 'zod'

/** A bundle of a whole school's year is no larger than this while it is packed. */
export const largestBundle = 500 * 1024 * 1024

/** What taking a OneRoster bundle into a year would do, or has done. */
export const bundleLook = z.object({
  /** A line for each kind: "12 new children, 588 known". */
  brings: z.array(z.string()),
  /** What is left out, and why, in sentences. */
  leftOut: z.array(z.string()),
  /** Whether anything in it is new. */
  isNew: z.boolean(),
  /** The event that can be undone; null where it was looked at alone, or nothing changed. */
  event: z.number().nullable(),
})
export type BundleLook = z.infer<typeof bundleLook>
