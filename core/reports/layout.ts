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
export interface Layout {
  key: string
  title: string
  paper: 'A4' | 'Letter'
  parts: ReportPart[]
  marks: 'percent and level' | 'level' | 'none'
}
