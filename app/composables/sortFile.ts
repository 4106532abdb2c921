import { sortsAs } from '~~/core/exchange/lists/sortsAs'
import { tableText } from '~~/core/exchange/files/tableText'
import type { ClassRecord } from '~~/core/record/classRecord'

/** A file, or a sheet of one, with the door that it belongs to. */
export interface SortedFile {
  file: File
  sheet: string
  rows: number
  door: 'gradebook' | 'list' | 'none'
  /** The list, or why it cannot be read. */
  text: string
}

/** Each sheet of a file, sorted by what is in it. */
export async function sortFile(file: File, record: ClassRecord): Promise<SortedFile[]> {
  try {
    // Reading workbooks is fetched when somebody brings one.
    const { readSheets } = await import('~~/core/exchange/files/readSheets')
    const tables = readSheets(new Uint8Array(await file.arrayBuffer()))
    return tables.map(({ sheet, table }) => ({
      file,
      sheet,
      rows: table.rows.length,
      door: sortsAs(table, record),
      text: tableText(table),
    }))
  } catch (error) {
    return [{ file, sheet: '', rows: 0, door: 'none', text: error instanceof Error ? error.message : String(error) }]
  }
}
