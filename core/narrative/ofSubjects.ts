import type { Because } from './because'

/** What the general comment rests on in a subject. @example aboutMarkOf('art') // 'mark of art' */
export function aboutMarkOf(subject: string): string {
  return `mark of ${subject}`
}

/** What it rests on in several. @example aboutSkillsOf(['art', 'music']) // 'skills of art, music' */
export function aboutSkillsOf(subjects: readonly string[]): string {
  return `skills of ${subjects.join(', ')}`.slice(0, 300)
}

/** How many skills stand so there. @example aboutSkillsThat('secure', ['art']) // 'secure skills of art' */
export function aboutSkillsThat(are: 'secure' | 'strong', subjects: readonly string[]): string {
  return `${are} ${aboutSkillsOf(subjects)}`.slice(0, 300)
}

/**
 * Whether a reason lies in a subject that is none of these: whoever may not read it cannot know whether it still holds.
 * @example isOfOtherSubject({ …, about: 'mark of art' }, ['music']) // true
 */
export function isOfOtherSubject({ about }: Because, subjects: readonly string[]): boolean {
  const [, named] = /^(?:mark|(?:secure |strong )?skills) of (.+)$/.exec(about) ?? []
  return named !== undefined && named.split(', ').some((subject) => !subjects.includes(subject))
}
