import type { Block } from '../document'
import type { FamilyFacts } from '../familyFacts'
import { commentBlock } from './commentBlock'

/** What is written about the student as a whole; nothing where nothing is. */
export function generalCommentPart({ generalComments, usedName }: FamilyFacts): Block[] {
  if (generalComments.length === 0) return []
  return [{ kind: 'heading', level: 2, text: `About ${usedName}’s term` }, ...generalComments.map(commentBlock)]
}
