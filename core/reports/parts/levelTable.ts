import type { Block, Cell } from '../document'
import type { FamilyLevel, FamilySkill } from '../familyFacts'

/** A table of what was rated, each with its level in strokes and words. */
export function levelTable(caption: string, titles: readonly [string, string], rows: readonly FamilySkill[]): Block {
  return {
    kind: 'table',
    caption,
    columns: [
      { title: titles[0], share: 0.78 },
      { title: titles[1], share: 0.22 },
    ],
    rows: rows.map(({ text, level }) => [{ text }, levelCell(level)]),
  }
}

/**
 * A level in a cell.
 * @example levelCell({ text: '3 secure', strokes: { filled: 3, of: 5 } }) // a cell that is drawn with three of five
 * strokes
 */
export function levelCell({ text, strokes }: FamilyLevel): Cell {
  return strokes ? { text, strokes } : { text }
}
