import type { Block } from '../document'
import type { FamilyFacts } from '../familyFacts'

/** Room for the student's own words. */
export function reflectionPart({ usedName }: FamilyFacts): Block[] {
  return [
    { kind: 'heading', level: 2, text: 'My own words' },
    { kind: 'lines', label: `Written by ${usedName}`, count: 3 },
  ]
}
