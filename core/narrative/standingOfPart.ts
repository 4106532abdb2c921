import { filterMap } from '../flatMap'
import { tierRank } from '../scales/tier'
import type { NarrativeFacts, StandingFact } from './because'
import { markAgainstLevels } from './markAgainstLevels'
import type { PartKind } from './phrase'
import type { CommentBox, PlannedPart } from './plan'
import { standingNamed, standingsOfBox } from './standingsOfBox'

/** What a part speaks of; null when it speaks of nothing in particular. */
export function standingFor(
  { part, about }: PlannedPart,
  box: CommentBox,
  facts: NarrativeFacts,
): StandingFact | null | 'missing' {
  // An opening chosen by the mark would deny the levels that follow it, where the two tell different stories.
  if (about === 'any') return markAgainstLevels(facts) ? null : facts.mark
  if (about === 'mark') return facts.mark ?? 'missing'
  if (about === 'weakest' || about === 'strongest') return furthest(eligible(part, box, facts), about) ?? 'missing'
  if (about === 'most moved') return mostMoved(eligible('outcome', box, facts))
  return standingNamed({ part, about }, box.subject, facts) ?? 'missing'
}

/**
 * What "weakest", "strongest" and "most moved" choose from: what the plan names, else all outcomes or habits there
 * are.
 */
function eligible(part: PartKind, box: CommentBox, facts: NarrativeFacts): StandingFact[] {
  const named = filterMap(box.plan, (each) =>
    each.about === 'mark' ? facts.mark : standingNamed(each, box.subject, facts),
  )
  if (named.length > 0 && part !== 'outcome' && part !== 'habit') return [...new Set(named)]
  return standingsFor(part, box.subject, facts)
}

/** What a part of a box may speak of at all: habits in habit parts, else what the box's subject gives. */
export function standingsFor(part: PartKind, subject: string | null, facts: NarrativeFacts): StandingFact[] {
  return standingsOfBox(part === 'habit' ? null : subject, facts)
}

/** The weakest, the later one among equals, as it is read last; or the strongest, the first among equals. */
function furthest(standings: readonly StandingFact[], end: 'weakest' | 'strongest'): StandingFact | undefined {
  return standings.reduce<StandingFact | undefined>((found, each) => {
    if (!found) return each
    const difference = tierRank(each.tier) - tierRank(found.tier)
    return (end === 'weakest' ? difference <= 0 : difference > 0) ? each : found
  }, undefined)
}

/**
 * What has climbed or fallen furthest since the term before; a climb before a fall of the same size. Null: nothing
 * has.
 */
function mostMoved(standings: readonly StandingFact[]): StandingFact | null {
  const size = ({ trend }: StandingFact): number => (trend ? Math.abs(trend.by) + (trend.by > 0 ? 0.5 : 0) : 0)
  return standings.reduce<StandingFact | null>(
    (most, each) => (size(each) > (most ? size(most) : 0) ? each : most),
    null,
  )
}
