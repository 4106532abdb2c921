import { z } from 'zod'

/** The parts a report can have, in the order the school wants them. */
export const reportParts = [
  'general comment',
  'subjects',
  'habits',
  'attendance',
  'scale',
  'reflection',
  'signatures',
] as const
export type ReportPart = (typeof reportParts)[number]

/** How reports are arranged. */
export const layoutSchema = z.object({
  key: z.string(),
  title: z.string(),
  paper: z.enum(['A4', 'Letter']),
  marks: z.enum(['percent and level', 'level', 'none']),
  parts: z.array(z.enum(reportParts)),
})
export type Layout = Readonly<z.infer<typeof layoutSchema>>
