import type { NarrativeFacts, StandingFact } from './because'
import type { CommentBox, PlannedPart } from './plan'

/** What a box's own subject gives it to speak of: its strands; for the general comment (null) the habits. */
export function standingsOfBox(
  subject: string | null,
  { standings }: Pick<NarrativeFacts, 'standings'>,
): StandingFact[] {
  const wanted = subject === null ? 'habit' : 'strand'
  return standings.filter(({ kind }) => kind === wanted)
}

/**
 * A box's plan with "each" spelled out: a part for each strand or habit of which anything is known, in the school's
 * order, two and two in a sentence. Where nothing is, "each" stays, and stands for what is missing.
 *
 * @example eachNamed({ plan: readPlan('outcome each') }, facts of Number and Shape)
 * // as readPlan('outcome Number + outcome Shape')
 */
export function eachNamed({ plan }: Pick<CommentBox, 'plan'>, facts: Pick<NarrativeFacts, 'standings'>): PlannedPart[] {
  return plan.flatMap((planned) => {
    if (planned.about !== 'each') return [planned]
    const kind = planned.part === 'habit' ? 'habit' : 'strand'
    const known = facts.standings.filter((standing) => standing.kind === kind)
    if (known.length === 0) return [planned]
    return known.map(({ about }, nth) => ({ ...planned, about, sharesSentence: nth % 2 === 1 }))
  })
}

/**
 * The strand or habit that a part of a plan names. A habit part names a habit and an outcome a strand; other parts
 * name what the box's own subject gives, before what shares its name.
 * @example standingNamed({ part: 'habit', about: 'care' }, 'art', facts) // the habit, not a strand of that name
 */
export function standingNamed(
  { part, about }: Pick<PlannedPart, 'part' | 'about'>,
  subject: string | null,
  { standings }: Pick<NarrativeFacts, 'standings'>,
): StandingFact | undefined {
  const named = standings.filter((standing) => standing.about === about)
  if (part === 'habit') return named.find(({ kind }) => kind === 'habit')
  if (part === 'outcome') return named.find(({ kind }) => kind === 'strand')
  const own = subject === null ? 'habit' : 'strand'
  return named.find(({ kind }) => kind === own) ?? named[0]
}
