import { z } from 'zod'
import { commentStatuses } from '../core/record/classRecord'

const because = z.object({ kind: z.enum(['skill level', 'mark', 'habit', 'result', 'always']), text: z.string().max(500), termId: z.string() })

const sentence = z.object({
  start: z.number().int().min(0), end: z.number().int().min(0),
  phraseIds: z.array(z.string().max(80)).max(10), because: z.array(because).max(40),
})

/** A comment as it shall be. `version` is the one the writer saw; 0 where there was none. */
export const commentToWrite = z.object({
  studentId: z.uuid(),
  box: z.string().min(1).max(60),
  text: z.string().max(20_000),
  sentences: z.array(sentence).max(100),
  ownWords: z.boolean(),
  status: z.enum(commentStatuses),
  version: z.number().int().min(0),
})
export type CommentToWrite = z.infer<typeof commentToWrite>

/** Drafts to compose for a box: only where nothing stands yet, or also in place of earlier drafts (never of own words). */
export const draftsToMake = z.object({
  box: z.string().min(1).max(60),
  where: z.enum(['empty', 'empty and drafts']),
})
export type DraftsToMake = z.infer<typeof draftsToMake>
