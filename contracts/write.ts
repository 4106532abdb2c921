import { z } from 'zod'
import { checkKey } from '../core/record/checkKeys'
import { draftSentenceSchema } from '../core/narrative/because'
import { followEdits } from '../core/narrative/followEdits'
import { bounds } from '../core/record/fields'
import { commentStatuses } from '../core/record/termRecord'
import { isKeepable } from '../core/text/plainText'
import { key, text } from '../core/text/textSchema'

/**
 * A comment as it shall be. `version` is the one the writer saw; 0 where there was none. A text that comes in letters
 * and accents apart is composed, and its sentences follow.
 */
export const commentToWrite = z
  .object({
    studentId: z.uuid(),
    box: key,
    text: z.string().max(bounds.comment).refine(isKeepable, 'There is a character in this text that cannot be kept.'),
    sentences: z.array(draftSentenceSchema).max(100).readonly(),
    ownWords: z.boolean(),
    status: z.enum(commentStatuses),
    version: z.number().int().min(0),
  })
  .transform((comment) => {
    const composed = comment.text.normalize('NFC')
    if (composed === comment.text) return comment
    return { ...comment, text: composed, sentences: followEdits(comment.sentences, comment.text, composed) }
  })
export type CommentToWrite = z.infer<typeof commentToWrite>

/**
 * Drafts to compose for a box: only where nothing stands yet, or also in place of earlier drafts (never of own words);
 * for the whole class, or for the students named.
 */
export const draftsToMake = z.object({
  box: key,
  where: z.enum(['empty', 'empty and drafts']),
  students: z.array(z.uuid()).max(500).optional(),
})
export type DraftsToMake = z.infer<typeof draftsToMake>

/** Whether a teacher says of a finding's words that they are right. */
export const findingToAccept = z.object({
  studentId: z.uuid(),
  box: key,
  check: checkKey,
  words: text(2000),
  right: z.boolean(),
})
export type FindingToAccept = z.infer<typeof findingToAccept>
