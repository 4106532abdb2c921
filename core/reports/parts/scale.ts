import type { Block } from '../document'
import type { FamilyFacts } from '../familyFacts'
import type { Layout } from '../../school/layout'
import { levelCell } from './levelTable'

/** What the levels mean, of marks only where marks are shown. */
export function scalePart({ scales }: FamilyFacts, { marks }: Pick<Layout, 'marks'>): Block[] {
  const tables = scales
    .filter((scale) => !scale.isOfMarks || marks !== 'none')
    .map(({ name, levels }): Block => ({
      kind: 'table',
      caption: name,
      columns: [
        { title: name, share: 0.3 },
        { title: 'What it means', share: 0.7 },
      ],
      rows: levels.map(({ level, meaning }) => [levelCell(level), { text: meaning }]),
    }))
  return tables.length === 0 ? [] : [{ kind: 'heading', level: 2, text: 'How to read the levels' }, ...tables]
}
