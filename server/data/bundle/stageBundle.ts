import { Unzip, type UnzipFile } from 'fflate'
import type { Knex } from 'knex'
import { decodeText } from '../../../core/exchange/files/decodeText'
import { bundleFiles, type BundleFile } from '../../../core/exchange/oneroster/tables'
import { readManifest } from '../../../core/exchange/oneroster/readBundle'
import { Refusal } from '../../access/refusal'
import type { HeldFile } from './heldFile'
import { unpackers } from './inflating'
import { StagedFile, stagedTable, columnsOf } from './stagedFiles'

/** What a bundle may come to once it is unpacked: some ten million results. */
const largestUnpacked = 2 * 1024 * 1024 * 1024
const largestManifest = 100_000
/** So little of a packed file at once that what it swells to is no burden. */
const pieceSize = 16 * 1024

interface Part {
  /** Which file of the zip it is of. */
  nth: number
  name: string
  chunk: Uint8Array
  isLast: boolean
}

/**
 * Reads a bundle as its bytes come and lays each of its files into a table of the transaction's own; the results wait
 * until it is known what they speak of. Only the manifest is read here. A file that the manifest calls absent is not
 * looked at, one that it promises must be there; rows that are to be deleted or inactive are left out.
 * @throws Refusal in words for whoever brought it
 */
export async function stageBundle(
  trx: Knex.Transaction,
  bytes: AsyncIterable<Uint8Array>,
  results: HeldFile,
): Promise<void> {
  await easeLargeStatements(trx)
  const staged = new Map<BundleFile, StagedFile | HeldFile>()
  const manifest: Uint8Array[] = []
  for await (const { name, chunk, isLast } of partsOf(bytes)) {
    const base = name.split('/').at(-1)?.toLowerCase() ?? ''
    const file = bundleFiles.find((each) => `${each.toLowerCase()}.csv` === base)
    if (base === 'manifest.csv') manifest.push(chunk)
    if (manifest.reduce((sum, { length }) => sum + length, 0) > largestManifest)
      throw new Refusal('invalid', 'The manifest of this bundle is no manifest.')
    if (!file) continue
    const table = staged.get(file) ?? (file === 'results' ? results : new StagedFile(trx, file))
    staged.set(file, table)
    await table.write(chunk)
    if (isLast && table instanceof StagedFile) await table.end()
  }
  const { isAbsent } = readManifest(manifest.length > 0 ? decodeText(Buffer.concat(manifest)) : null)
  for (const file of bundleFiles) {
    if (!isAbsent(file) && !staged.has(file))
      throw new Refusal('invalid', `The bundle's manifest promises ${file}.csv, and it is not there.`)
    if (file === 'results' && isAbsent(file)) await results.letGo()
    else if (isAbsent(file)) await emptyTable(trx, file, staged.has(file))
    else if (file !== 'results')
      await trx.raw(`delete from ${stagedTable(file)} where lower(status) in ('tobedeleted', 'inactive')`)
  }
}

/** A bundle's few large statements are done before they would have been compiled, and sort in memory. */
async function easeLargeStatements(trx: Knex.Transaction): Promise<void> {
  await trx.raw(`set local jit = off; set local work_mem = '64MB'`)
}

async function emptyTable(trx: Knex.Transaction, file: BundleFile, isThere: boolean): Promise<void> {
  const columns = columnsOf(file).map((column) => `"${column}" text`)
  if (isThere) await trx.raw(`truncate ${stagedTable(file)}`)
  else await trx.raw(`create temp table ${stagedTable(file)} (${columns.join(', ')}) on commit drop`)
}

/** The parts of a packed file, one after the other, as its bytes come. */
async function* partsOf(bytes: AsyncIterable<Uint8Array>): AsyncGenerator<Part> {
  let ready: Part[] = []
  let [unpacked, files] = [0, 0]
  const unzip = new Unzip((file: UnzipFile) => {
    const nth = (files += 1)
    file.ondata = (_error, chunk, isLast) => {
      unpacked += chunk.length
      // What is too large is not even held until it is refused.
      if (unpacked <= largestUnpacked) ready.push({ nth, name: file.name, chunk, isLast })
    }
    // What is no table is never unpacked.
    if (/\.csv$/i.test(file.name)) file.start()
  })
  const { decoder, settled } = unpackers()
  unzip.register(decoder)
  const push = async (piece: Uint8Array, isLast: boolean): Promise<Part[]> => {
    try {
      unzip.push(piece, isLast)
      await settled()
    } catch {
      throw new Refusal('invalid', 'The file is damaged: it cannot be unpacked. Save it once more and choose it again.')
    }
    if (unpacked > largestUnpacked) throw new Refusal('too large', 'Unpacked, this bundle is larger than 2 GB.')
    // The unpackers of two files work side by side: what they hand on is put in the order of the files.
    const parts = ready.sort((one, other) => one.nth - other.nth)
    ready = []
    return parts
  }
  for await (const bunch of bytes)
    for (let at = 0; at < bunch.length; at += pieceSize) yield* await push(bunch.subarray(at, at + pieceSize), false)
  yield* await push(new Uint8Array(), true)
  if (files === 0) throw new Refusal('invalid', 'This is no OneRoster bundle: a bundle is a zip of CSV files.')
}
