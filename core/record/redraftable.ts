import type { StudentComment } from './termRecord'

/**
 * Whether a comment may be composed anew without asking: a teacher's own words and finished texts never are.
 * @example isRedraftable({ …, ownWords: true }) // false: nobody composes over what a teacher wrote
 */
export function isRedraftable({ ownWords, status }: Pick<StudentComment, 'ownWords' | 'status'>): boolean {
  return !ownWords && status === 'in draft'
}
