import { z } from 'zod'
import { becauseSchema, draftSentenceSchema, type Because, type DraftSentence } from './because'

/** A reason; the term only where it is another one than the comment's. */
const keptBecause = becauseSchema.partial({ about: true, tier: true, termId: true })

/**
 * A sentence of a draft as it is kept and sent: without what its comment says already. Comments are most of a class's
 * record, and half of a sentence used to be its own words and the term once more. `composed` only where the teacher has
 * changed it since; `parts` are missing in what was kept before they were.
 */
export const keptSentenceSchema = draftSentenceSchema
  .partial({ composed: true, parts: true })
  .extend({ because: z.array(keptBecause).max(40) })
export type KeptSentence = Readonly<z.infer<typeof keptSentenceSchema>>

/** The comment that a sentence stands in. */
interface Around {
  readonly text: string
  readonly termId: string
}

/**
 * @example
 * keptSentence({ start: 0, end: 4, composed: 'Yes.', parts: [], phraseIds: [], because: [] }, { text: 'Yes.', termId })
 * // { start: 0, end: 4, parts: [], phraseIds: [], because: [] }
 */
export function keptSentence({ composed, because, ...rest }: DraftSentence, { text, termId }: Around): KeptSentence {
  const reasons = because.map(({ termId: of, ...reason }) => (of === termId ? reason : { ...reason, termId: of }))
  const stands = composed === text.slice(rest.start, rest.end)
  return { ...rest, ...(stands ? {} : { composed }), because: reasons }
}

/**
 * The sentence again. What was kept before its words were remembered is taken to stand as it was composed.
 * @example
 * wholeSentence({ start: 0, end: 4, parts: [], phraseIds: [], because: [] }, { text: 'Yes.', termId })
 * // { start: 0, end: 4, composed: 'Yes.', parts: [], phraseIds: [], because: [] }
 */
export function wholeSentence(kept: KeptSentence, { text, termId }: Around): DraftSentence {
  const because = kept.because.map((each): Because => ({ termId, about: '', tier: null, ...each }))
  return { composed: text.slice(kept.start, kept.end), parts: [], ...kept, because }
}
