import { indexPhrases, phrasesFor } from '../narrative/phraseIndex'
import type { PartKind, Phrase } from '../narrative/phrase'
import { conditionHolds, type CommentBox, type PlannedPart } from '../narrative/plan'
import { tierRank, tiers, type Tier } from '../scales/tier'
import type { ClassRecord } from './classRecord'
import { skillWordsOf } from './ratedFacts'

/** What a strand can be told as: standing at a tier, or uneven, its skills lying far apart. */
export type ToldAs = Tier | 'uneven'

/** How many wordings there are for a part that is told as this. */
export interface CoverageCell {
  readonly as: ToldAs
  readonly wordings: number
  /** True when a class would notice: too few to vary. */
  readonly thin: boolean
}

export interface CoverageRow {
  readonly part: PartKind
  readonly about: string
  readonly cells: readonly CoverageCell[]
}

/** With fewer wordings than this, more than a third of ten students alike would share a sentence; ours. */
export const enoughWordings = 4

/**
 * For each part of a box's plan, and what it may speak of, how many wordings the phrasebook has at each tier that the
 * school's scales use. A part that is said of any outcome is listed once for each.
 *
 * @example phraseCoverage(record, mathematics) // Number: top 5 wordings, strong 4, sound 0, …
 */
export function phraseCoverage(record: ClassRecord, box: CommentBox): CoverageRow[] {
  const inUse = tiersInUse(record, box)
  const couldBeUneven = (about: string): boolean =>
    record.skills.filter((skill) => skill.subject === box.subject && skill.strand === about && !skill.teacherOnly)
      .length > 1
  return box.plan.flatMap((part) =>
    aboutsOf(part, box, record).map((about): CoverageRow => ({
      part: part.part,
      about,
      cells: [
        ...inUse
          .filter((tier, at) => couldHold(part, tier) && (part.part !== 'progress' || at < inUse.length - 1))
          .map((tier) => {
            const found = phrasesToldAs(record, box.subject, { part: part.part, about }, tier)
            // A climb is what progress is mostly told of; nobody climbs to the lowest tier.
            const climbs = found.filter((phrase) => phrase.moves.length === 0 || phrase.moves.includes('up')).length
            const wordings = part.part === 'progress' ? climbs : found.length
            const enough = part.part === 'progress' ? 2 : enoughWordings
            return {
              as: tier,
              wordings,
              thin: !isTold(record, box.subject, { part: part.part, about }) && wordings < enough,
            }
          }),
        ...(part.part === 'outcome' && couldBeUneven(about) ? [unevenCell(record, box, about, inUse)] : []),
      ],
    })),
  )
}

/**
 * What the school's own words tell without any phrase: outcomes, moves and habits whose words are known, and openings.
 * @example isTold(setup, 'sums', { part: 'outcome', about: 'Number' }) // true where the words of its skills are known
 */
export function isTold(
  { skills, habits }: Pick<ClassRecord, 'skills' | 'habits'>,
  subject: string | null,
  { part, about }: Pick<PlannedPart, 'part' | 'about'>,
): boolean {
  if (part === 'opening') return true
  if (part === 'habit') return habits.some((habit) => habit.key === about && skillWordsOf(habit) !== null)
  const own = skills.filter((skill) => skill.subject === subject && skill.strand === about && !skill.teacherOnly)
  // Where a strand is told, so is where it went.
  const isOfStrand = part === 'outcome' || (part === 'progress' && own.length > 0)
  return isOfStrand && own.every((skill) => skillWordsOf(skill) !== null)
}

/**
 * The phrases of a part that is told as this, wherever the weakest skill stands; those for a strand's single skills are
 * among them.
 */
export function phrasesToldAs(
  { phrasebook, skills }: Pick<ClassRecord, 'phrasebook' | 'skills'>,
  subject: string | null,
  place: Pick<Phrase, 'part' | 'about'>,
  as: ToldAs,
): Phrase[] {
  if (as !== 'uneven') {
    const own = skills.filter((skill) => skill.subject === subject && skill.strand === place.about)
    const { find } = indexPhrases(phrasebook)
    const ofSkills = own.flatMap(({ id }) => find(subject ?? 'general', place.part, id, as))
    return [...phrasesFor(phrasebook, subject, place, { tier: as }), ...ofSkills]
  }
  return [...new Set(tiers.flatMap((tier) => phrasesFor(phrasebook, subject, place, { tier, uneven: true })))]
}

/** All wordings; thin where one of the levels at which an uneven strand's weakest skill can stand has too few. */
function unevenCell(record: ClassRecord, box: CommentBox, about: string, inUse: readonly Tier[]): CoverageCell {
  const { phrasebook } = record
  const fewest = Math.min(
    ...inUse
      .filter((tier) => tierRank(tier) <= tierRank('sound'))
      .map((tier) => phrasesFor(phrasebook, box.subject, { part: 'outcome', about }, { tier, uneven: true }).length),
  )
  return {
    as: 'uneven',
    wordings: phrasesToldAs(record, box.subject, { part: 'outcome', about }, 'uneven').length,
    thin: fewest < enoughWordings && !isTold(record, box.subject, { part: 'outcome', about }),
  }
}

/** The tiers that the box's scale has levels for, best first. */
function tiersInUse(record: ClassRecord, box: CommentBox): Tier[] {
  const subject = record.subjects.find((each) => each.key === box.subject)
  const keys = subject ? [subject.skillScale, subject.markScale] : record.habits.map((habit) => habit.scale)
  const used = new Set(
    record.scales
      .filter((scale) => keys.includes(scale.key))
      .flatMap((scale) => scale.levels.map((level) => level.tier)),
  )
  return tiers.filter((tier) => used.has(tier)).reverse()
}

/**
 * What a part speaks of: itself, or for "weakest" and its like each of the strands or habits that it may turn out to
 * be.
 */
function aboutsOf(part: PlannedPart, box: CommentBox, record: ClassRecord): string[] {
  if (!['each', 'weakest', 'strongest', 'most moved'].includes(part.about)) return [part.about]
  const named = box.plan
    .filter(
      (each) =>
        (each.part === 'outcome' || each.part === 'habit') && !['each', 'weakest', 'strongest'].includes(each.about),
    )
    .map((each) => each.about)
  const all =
    box.subject === null
      ? record.habits.map((habit) => habit.key)
      : record.skills
          .filter((skill) => skill.subject === box.subject && !skill.teacherOnly)
          .map((skill) => skill.strand)
  return [...new Set(named.length > 0 && part.about !== 'each' ? named : all)]
}

function couldHold({ when }: PlannedPart, tier: Tier): boolean {
  if (when === null || when === 'moved' || when === 'up') return true
  return conditionHolds(when, {
    kind: 'strand',
    about: '',
    name: '',
    tier,
    uneven: false,
    because: [],
    trend: null,
    strongestSkill: null,
    weakestSkill: null,
  })
}
