import Papa from 'papaparse'
import type { Table } from './readTable'

/**
 * A table as text that readTable reads again as it was, each row in its place.
 * @example tableText(readTable('Name;Quiz\nReed, Maya;17')) // 'Name,Quiz\r\n"Reed, Maya",17'
 */
export function tableText({ rows }: Pick<Table, 'rows'>): string {
  const lines: string[][] = []
  for (const { number, cells } of rows) {
    while (lines.length < number - 1) lines.push([])
    lines.push([...cells])
  }
  return Papa.unparse(lines)
}
