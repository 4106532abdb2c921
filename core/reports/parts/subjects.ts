import type { Block } from '../document'
import type { FamilyFacts, FamilyMark, FamilySubject } from '../familyFacts'
import type { Layout } from '../../school/layout'
import { commentBlock } from './commentBlock'
import { levelTable } from './levelTable'

/** Every subject of which something is known: its mark as the layout shows it, its skills, its comments. */
export function subjectsPart({ subjects }: FamilyFacts, { marks }: Pick<Layout, 'marks'>): Block[] {
  return subjects.flatMap((subject) => subjectBlocks(subject, markText(subject.mark, marks)))
}

function subjectBlocks({ name, teacher, skills, comments }: FamilySubject, mark: string | null): Block[] {
  if (mark === null && skills.length === 0 && comments.length === 0) return []
  return [
    { kind: 'heading', level: 2, text: name },
    {
      kind: 'facts',
      items: [...(mark === null ? [] : [{ label: 'Mark', value: mark }]), { label: 'Teacher', value: teacher }],
    },
    ...(skills.length === 0 ? [] : [levelTable(`Skills in ${name}`, ['What was learned', 'Level'], skills)]),
    ...comments.map(commentBlock),
  ]
}

function markText(mark: FamilyMark | null, shown: Layout['marks']): string | null {
  if (shown === 'none' || mark === null) return null
  if (mark.special !== null) return mark.special
  if (shown === 'level' && mark.level !== '') return mark.level
  return [mark.level, mark.percent].filter(Boolean).join(', ')
}
