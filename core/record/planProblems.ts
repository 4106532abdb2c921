import { maySayHowMany, partKey, type CommentBox } from '../narrative/plan'
import type { Habit, Skill } from '../school/schoolSetup'

/** What a part may speak of besides a strand or habit by name. */
const general = ['any', 'each', 'mark', 'strongest', 'weakest', 'most moved']

/**
 * What is wrong with a box's plan, in sentences for the person who wrote it; empty when it can be used.
 * @example planProblems({ subject: 'art', plan: readPlan('outcome Number') }, skills, habits) // ['There is no
 * strand “Number” …']
 */
export function planProblems(
  box: Pick<CommentBox, 'subject' | 'plan'>,
  skills: readonly Skill[],
  habits: readonly Habit[],
): string[] {
  const strands = new Set(skills.filter((skill) => skill.subject === box.subject).map((skill) => skill.strand))
  const habitKeys = new Set(habits.map((habit) => habit.key))
  return box.plan.flatMap(({ part, about, atMost }) => {
    if (atMost !== undefined && !maySayHowMany({ part, about }))
      return [`“At most” is for a strand, each strand or each habit; “${partKey({ part, about })}” tells one thing.`]
    if (general.includes(about))
      return about === 'mark' && box.subject === null ? ['The general comment has no mark to speak of.'] : []
    if (part === 'habit') return habitKeys.has(about) ? [] : [`There is no habit “${about}”.`]
    if (strands.has(about) || (part !== 'outcome' && habitKeys.has(about))) return []
    return [`There is no strand “${about}” in this subject.`]
  })
}
