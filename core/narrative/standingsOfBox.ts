import { filterMap, flatMap } from '../flatMap'
import { tiers } from '../scales/tier'
import type { NarrativeFacts, StandingFact } from './because'
import { listOf } from './listOf'
import { plannedWith, type CommentBox, type PlannedPart } from './plan'
import { skillsTogether, type SkillWords } from './skillWords'

/** What a box's own subject gives it to speak of: its strands; for the general comment (null) the habits. */
export function standingsOfBox(
  subject: string | null,
  { standings }: Pick<NarrativeFacts, 'standings'>,
): StandingFact[] {
  const wanted = subject === null ? 'habit' : 'strand'
  return standings.filter(({ kind }) => kind === wanted)
}

/** So many habits at most are told in one breath. */
const mostTogether = 3

/**
 * A box's plan with "each" spelled out: a part for each strand or habit of which anything is known, in the school's
 * order. Habits that are told by their own words go together where they stand alike, best first: "ready + care". Where
 * nothing is known, "each" stays, and stands for what is missing.
 *
 * @param isWorded whether the school has phrases of its own for a standing
 * @example eachNamed({ plan: readPlan('outcome each') }, facts of Number and Shape, isWorded)
 * // as readPlan('outcome Number; outcome Shape')
 */
export function eachNamed(
  { plan }: Pick<CommentBox, 'plan'>,
  facts: Pick<NarrativeFacts, 'standings'>,
  isWorded: (planned: PlannedPart, standing: StandingFact) => boolean,
): PlannedPart[] {
  return flatMap(plan, (planned) => {
    if (planned.about !== 'each') return [planned]
    const kind = planned.part === 'habit' ? 'habit' : 'strand'
    const known = facts.standings.filter((standing) => standing.kind === kind)
    if (known.length === 0) return [planned]
    const alone = (each: StandingFact): boolean => kind === 'strand' || isWorded(planned, each) || !each.skills
    const together = flatMap(tiers.toReversed(), (tier) => {
      const alike = known.filter((each) => each.tier === tier && !alone(each))
      return inGroups(alike.map((each) => each.about)).map((abouts) => abouts.join(togetherSign))
    })
    return [...known.filter(alone).map((each) => each.about), ...together].map((about) =>
      plannedWith(planned, { about }),
    )
  })
}

/** No key of a habit has it: a plan is cut there. */
export const togetherSign = ' + '

function inGroups(items: readonly string[]): string[][] {
  const size = Math.ceil(items.length / Math.max(1, Math.ceil(items.length / mostTogether)))
  return Array.from({ length: Math.ceil(items.length / Math.max(1, size)) }, (_, nth) =>
    items.slice(nth * size, (nth + 1) * size),
  )
}

/** Habits that stand alike, as one; undefined where one of them is not known, or they no longer stand alike. */
function together(abouts: readonly string[], standings: readonly StandingFact[]): StandingFact | undefined {
  const each = filterMap(abouts, (about) => standings.find((known) => known.kind === 'habit' && known.about === about))
  const [first] = each
  if (!first?.skills || each.length < abouts.length || each.some(({ tier }) => tier !== first.tier)) return undefined
  const about = abouts.join(togetherSign)
  const words = (form: keyof SkillWords): string => skillsTogether(each.map(({ skills }) => skills?.words[form] ?? ''))
  return {
    ...first,
    about,
    name: listOf(each.map(({ name }) => name)),
    because: each.flatMap((one) => one.because),
    trend: null,
    skills: {
      words: { does: words('does'), do: words('do'), doing: words('doing') },
      because: { ...first.skills.because, about: `words of ${about}`, text: words('doing') },
    },
  }
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
  if (about.includes(togetherSign)) return together(about.split(togetherSign), standings)
  const named = standings.filter((standing) => standing.about === about)
  if (part === 'habit') return named.find(({ kind }) => kind === 'habit')
  if (part === 'outcome') return named.find(({ kind }) => kind === 'strand')
  const own = subject === null ? 'habit' : 'strand'
  return named.find(({ kind }) => kind === own) ?? named[0]
}
