import type { Block } from '../document'
import type { FamilyFacts } from '../familyFacts'

/** Where the class teacher and the family sign. */
export function signaturesPart({ classTeacher }: FamilyFacts): Block[] {
  return [
    { kind: 'heading', level: 2, text: 'Signed' },
    { kind: 'signatures', labels: [classTeacher, 'Family'] },
  ]
}
