import type { ClassTable } from '../../lists/classTables'

/** So long is a sheet's name at most (ECMA-376; Excel's own limit, from memory). */
const longestName = 31

/** A sheet as write-excel-file takes it. */
export interface SheetToWrite {
  readonly sheet: string
  readonly data: ({ value: string | number; type: StringConstructor | NumberConstructor } | null)[][]
}

/**
 * Tables as the sheets of a workbook. A text stays a text, school numbers with their noughts too, and none is run as a
 * formula; a sheet is called as its table is, as far as a sheet can be.
 * @example bookOfTables([{ name: 'Results: Art/Craft', rows }])[0]?.sheet // 'Results Art Craft'
 */
export function bookOfTables(tables: readonly ClassTable[]): SheetToWrite[] {
  const taken = new Set<string>()
  return tables.map(({ name, rows }) => {
    const sheet = freeName(name, taken)
    taken.add(sheet.toLowerCase())
    return {
      sheet,
      data: rows.map((row) =>
        row.map((value) => {
          if (value === null || value === '') return null
          return typeof value === 'number' ? { value, type: Number } : { value, type: String }
        }),
      ),
    }
  })
}

function freeName(name: string, taken: ReadonlySet<string>): string {
  const plain = name
    .replace(/[[\]:*?/\\]/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[' ]+|[' ]+$/g, '')
  for (let nth = 1; ; nth += 1) {
    const end = nth === 1 ? '' : ` ${nth}`
    const found = `${plain.slice(0, longestName - end.length).trim()}${end}`
    if (!taken.has(found.toLowerCase())) return found
  }
}
