import type { NarrativeFacts, StandingFact } from './because'

/** Whether it is a strand, which skills make up; else it is a habit or the mark. */
export function isStrand({ because }: StandingFact): boolean {
  return because.some(({ kind }) => kind === 'skill level')
}

export function isHabit({ because }: StandingFact): boolean {
  return because.some(({ kind }) => kind === 'habit')
}

/** What a box's own subject gives it to speak of: its strands; for the general comment (null) the habits. */
export function standingsOfBox(
  subject: string | null,
  { standings }: Pick<NarrativeFacts, 'standings'>,
): StandingFact[] {
  return Object.values(standings).filter(subject === null ? isHabit : isStrand)
}
