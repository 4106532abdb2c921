import { decodeText } from './decodeText'
import { bundleSheets } from '../oneroster/bundleSheets'
import { readBundle } from '../oneroster/readBundle'
import { UnreadableFile } from './problem'
import { readTable, type NamedTable } from './readTable'
import { readOds } from './workbook/readOds'
import { readXlsx } from './workbook/readXlsx'
import { partText, unpack } from './workbook/unpack'

/**
 * The tables of a file, whatever its name ends in: those of a workbook's sheets with anything on them, those of the
 * classes of a OneRoster bundle, or the one of a text file.
 * @throws UnreadableFile in words for the person who brought it
 * @example readSheets(bytes of a workbook).map(({ sheet }) => sheet) // ['Quizzes', 'Projects']
 */
export function readSheets(bytes: Uint8Array): NamedTable[] {
  const kind = packedKind(bytes)
  if (kind === null) return [{ sheet: '', table: readTable(decodeText(bytes)) }]
  if (kind === 'bundle') return bundleSheets(readBundle(unpack(bytes, (name) => /\.csv$/i.test(name))))
  const sheets = (kind === 'ods' ? readOds(bytes) : readXlsx(bytes)).filter(({ rows }) => rows.length > 0)
  if (sheets.length === 0) throw new UnreadableFile('The workbook has no sheet with anything on it.')
  return sheets.map(({ name, rows }) => ({ sheet: name, table: { rows, delimiter: '' } }))
}

/** What a packed file is; null for what is not packed. */
function packedKind(bytes: Uint8Array): 'xlsx' | 'ods' | 'bundle' | null {
  if (!(bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 0x03 && bytes[3] === 0x04)) return null
  const parts = unpack(bytes, (name) => name === 'mimetype' || isManifest(name))
  if ([...parts.keys()].some(isManifest)) return 'bundle'
  const said = partText(parts, 'mimetype')
  return said.startsWith('application/vnd.oasis.opendocument') ? 'ods' : 'xlsx'
}

const isManifest = (name: string): boolean => /(^|\/)manifest\.csv$/i.test(name)
