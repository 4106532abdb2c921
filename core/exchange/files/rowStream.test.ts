import { parse } from 'csv-parse/sync'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { UnreadableFile } from './problem'
import { cellsOf, RowStream } from './rowStream'

const inPieces = (text: string, sizes: readonly number[]): string[][] => {
  const rows = new RowStream()
  const all: string[][] = []
  let at = 0
  for (const size of sizes) {
    all.push(...Array.from(rows.push(text.slice(at, at + size)), cellsOf))
    at += size
  }
  return [...all, ...Array.from(rows.push(text.slice(at)), cellsOf), ...Array.from(rows.end(), cellsOf)]
}

describe('rows as they come', () => {
  // RFC 4180, as the registry's csv-parse reads it, which knows nothing of pieces.
  it('are those of the whole text, wherever it is cut', () => {
    const cell = fc.stringMatching(/^[a-z0-9 é👍",\n]{0,6}$/u)
    const written = (text: string): string => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text)
    fc.assert(
      fc.property(
        fc.array(fc.array(cell, { minLength: 3, maxLength: 3 }), { minLength: 1, maxLength: 12 }),
        fc.constantFrom('\n', '\r\n'),
        fc.array(fc.integer({ min: 1, max: 40 }), { maxLength: 12 }),
        (table, end, sizes) => {
          const text = table.map((cells) => cells.map(written).join(',')).join(end)
          const known = parse(text, { relax_column_count: true, skip_empty_lines: true, record_delimiter: end })
          expect(inPieces(text, sizes)).toEqual(known)
        },
      ),
      { numRuns: 500 },
    )
  })

  it('refuse a quotation mark that is never closed', () => {
    expect(() => inPieces('a,b\n1,"2\n3,4\n', [3])).toThrow(UnreadableFile)
  })
})
