import { z } from 'zod'
import { becauseKinds } from '../core/narrative/because'
import { commentStatuses } from '../core/record/classRecord'
import { tiers } from '../core/scales/tier'

const because = z.object({
  kind: z.enum(becauseKinds),
  about: z.string().max(300),
  text: z.string().max(500),
  tier: z.enum(tiers).nullable(),
  termId: z.string(),
})

const sentence = z.object({
  start: z.number().int().min(0),
  end: z.number().int().min(0),
  composed: z.string().max(5000),
  parts: z.array(z.string().max(120)).max(10),
  phraseIds: z.array(z.string().max(80)).max(10),
  because: z.array(because).max(40),
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

/**
 * Drafts to compose for a box: only where nothing stands yet, or also in place of earlier drafts (never of own words);
 * for the whole class, or for the students named.
 */
export const draftsToMake = z.object({
  box: z.string().min(1).max(60),
  where: z.enum(['empty', 'empty and drafts']),
  students: z.array(z.uuid()).max(500).optional(),
})
/** Whether a teacher says of a finding's words that they are right. */
export const findingToAccept = z.object({
  studentId: z.uuid(),
  box: z.string().min(1).max(60),
  check: z.string().min(1).max(60),
  words: z.string().max(2000),
  right: z.boolean(),
})
export type FindingToAccept = z.infer<typeof findingToAccept>

export type DraftsToMake = z.infer<typeof draftsToMake>
