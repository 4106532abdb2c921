import { z } from 'zod'
import { nameOrders } from '../core/people/names'
import { everyMarkComparison } from '../core/record/markComparisons'

/** How somebody likes to work. It changes what that person sees, never what is kept or what a family reads. */
export const ownSettings = z.object({
  textSize: z.enum(['usual', 'larger', 'largest']),
  names: z.enum(nameOrders),
  marksAs: z.enum(['percent', 'letter', 'points']),
  /** Of how many points, where marks are shown as points. */
  pointsOf: z.number().int().min(1).max(1000),
  /** Percentages below and from which results and marks are marked; null for not at all. */
  lowBelow: z.number().min(0).max(100).nullable(),
  highFrom: z.number().min(0).max(100).nullable(),
  /** What a proposed mark is compared with, in the order of the columns. */
  comparisons: z.array(z.enum(everyMarkComparison)).max(everyMarkComparison.length),
  workOrder: z.enum(['newest first', 'oldest first']),
  paper: z.enum(['as the device', 'paper', 'dark']),
  opensOn: z.enum(['the desk', 'where I was']),
})
export type OwnSettings = Readonly<z.infer<typeof ownSettings>>

/** Until somebody says otherwise. */
export const usualSettings: OwnSettings = {
  textSize: 'usual',
  names: 'given first',
  marksAs: 'percent',
  pointsOf: 20,
  lowBelow: 50,
  highFrom: null,
  comparisons: ['mostRecent', 'median', 'mostFrequent', 'lastTerm'],
  workOrder: 'newest first',
  paper: 'as the device',
  opensOn: 'the desk',
}

/** Settings to keep. `was`: as the writer saw them. */
export const settingsToWrite = z
  .object({ settings: ownSettings, was: ownSettings })
  .refine(
    ({ settings: { lowBelow, highFrom } }) => lowBelow === null || highFrom === null || lowBelow <= highFrom,
    'What is marked as low lies below what is marked as high.',
  )
export type SettingsToWrite = z.infer<typeof settingsToWrite>
