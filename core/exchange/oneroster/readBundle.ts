import { decodeText } from '../files/decodeText'
import { UnreadableFile } from '../files/problem'
import { readTable } from '../files/readTable'
import { bundleFiles, versions, type BundleFile, type OneRosterVersion } from './tables'

/** A row by its headings; "" where the file has no such column. */
export type BundleRow = (heading: string) => string

export interface Bundle {
  readonly version: OneRosterVersion
  readonly rows: { readonly [File in BundleFile]: readonly BundleRow[] }
}

/** What the rows of a bundle may come to; a class's are a hundredth of it. */
const largest = { lines: 200_000, rows: 200_000, columns: 200, cells: 3_000_000 }

/**
 * A OneRoster bundle from its files. The manifest says which there are: one that it calls absent is not read, whatever
 * lies in the bundle; one that it promises must be there. Rows that are to be deleted or inactive are left out.
 * @throws UnreadableFile in words for whoever brought it
 * @example readBundle(files).rows.classes[0]?.('title') // '5 Juniper'
 */
export function readBundle(files: ReadonlyMap<string, Uint8Array>): Bundle {
  const byName = new Map([...files].map(([name, bytes]) => [name.split('/').at(-1)?.toLowerCase() ?? '', bytes]))
  const bytes = byName.get('manifest.csv')
  const { version, isAbsent } = readManifest(bytes ? decodeText(bytes) : null)
  const read = (file: BundleFile): BundleRow[] => {
    if (isAbsent(file)) return []
    const content = byName.get(`${file.toLowerCase()}.csv`)
    if (!content) throw new UnreadableFile(`The bundle's manifest promises ${file}.csv, and it is not there.`)
    return rowsOf(decodeText(content), file)
  }
  const rows: Record<BundleFile, BundleRow[]> = {
    academicSessions: [],
    orgs: [],
    courses: [],
    classes: [],
    users: [],
    roles: [],
    enrollments: [],
    categories: [],
    lineItems: [],
    results: [],
    scoreScales: [],
    lineItemScoreScales: [],
  }
  for (const file of bundleFiles) rows[file] = read(file)
  return { version, rows }
}

/**
 * What a bundle's manifest says: its version, and which files are not in it.
 * @param text null where there is no manifest
 * @throws UnreadableFile
 */
export function readManifest(text: string | null): {
  version: OneRosterVersion
  isAbsent: (file: BundleFile) => boolean
} {
  if (text === null) throw new UnreadableFile('This is no OneRoster bundle: there is no manifest.csv in it.')
  const said = new Map(readTable(text).rows.map(({ cells }) => [(cells[0] ?? '').toLowerCase(), cells[1] ?? '']))
  const version = versions.find((each) => each === said.get('oneroster.version')?.replace(/^v/, ''))
  if (!version) {
    const named = said.get('oneroster.version') ?? 'none'
    throw new UnreadableFile(`This OneRoster bundle is of version ${named}. Facunda reads ${versions.join(' and ')}.`)
  }
  const isAbsent = (file: BundleFile): boolean =>
    (said.get(`file.${file.toLowerCase()}`)?.toLowerCase() ?? 'absent') === 'absent'
  return { version, isAbsent }
}

function rowsOf(text: string, file: BundleFile): BundleRow[] {
  const [head, ...body] = readTable(text, largest).rows
  const at = new Map((head?.cells ?? []).map((cell, index) => [cell.toLowerCase(), index]))
  if (!at.has('sourcedid'))
    throw new UnreadableFile(`${file}.csv has no column sourcedId: its rows cannot be told apart.`)
  const rows = body.map(
    ({ cells }): BundleRow =>
      (heading) =>
        cells[at.get(heading.toLowerCase()) ?? -1] ?? '',
  )
  return rows.filter((row) => !/^(tobedeleted|inactive)$/i.test(row('status')))
}
