import type { Block } from '../document'
import type { FamilyFacts } from '../familyFacts'
import { levelTable } from './levelTable'

/** The habits that were scored. */
export function habitsPart({ habits }: FamilyFacts): Block[] {
  if (habits.length === 0) return []
  const title = 'Habits for learning'
  return [{ kind: 'heading', level: 2, text: title }, levelTable(title, ['Habit', 'Score'], habits)]
}
