import { z } from 'zod'
import { key } from '../core/text/textSchema'

/** Which children of a class take a subject, or do not. `was`: what the writer saw. */
export const takersToWrite = z.object({
  subject: key,
  choices: z
    .array(z.object({ studentId: z.uuid(), takes: z.boolean(), was: z.boolean() }))
    .min(1)
    .max(400),
})
export type TakersToWrite = z.infer<typeof takersToWrite>
