import Papa from 'papaparse'

/**
 * Writes rows as CSV by RFC 4180: CRLF, quotes where needed. A cell that a spreadsheet would run as a formula
 * (beginning with = + - @, a tab or a return) gets an apostrophe in front; plain negative numbers are left alone.
 * @example writeCsv([['Umi', 17], ['=SUM(A1)', 9]]) // "Umi,17\r\n'=SUM(A1),9\r\n"
 */
export function writeCsv(rows: readonly (readonly (string | number | null)[])[]): string {
  const cells = rows.map((row) => row.map((cell) => (typeof cell === 'string' ? defused(cell) : cell)))
  return Papa.unparse(cells, { newline: '\r\n' }) + '\r\n'
}

/** A cell without the apostrophe that stands before what a spreadsheet would run. */
export function asWritten(cell: string): string {
  return cell.replace(/^'(?='*[=+\-@\t\r])/, '')
}

function defused(cell: string): string {
  return /^'*[=+\-@\t\r]/.test(cell) && !/^[+-]?\d+([.,]\d+)?$/.test(cell) ? `'${cell}` : cell
}
