import { strToU8, unzipSync, zipSync } from 'fflate'
import { decodeText } from '~~/core/exchange/files/decodeText'
import { writeSetupFolder } from '~~/core/exchange/folder/writeSetupFolder'
import type { Term } from '~~/core/record/term'
import { nothingRetired } from '~~/core/school/keptSetup'
import type { SchoolSetup } from '~~/core/school/schoolSetup'

/** A school folder is a zip of its files; none that is looked at here is larger than this once it is unpacked. */
const largestPart = 2_000_000

/** Hands a set-up to its owner as a school folder. */
export function saveSchoolFolder(setup: SchoolSetup, terms: readonly Pick<Term, 'id' | 'name'>[], name: string): void {
  const files = [...writeSetupFolder(setup, nothingRetired, terms)].map(
    ([file, text]) => [file, strToU8(text)] as const,
  )
  const zip = zipSync(Object.fromEntries(files))
  saveFile(`${name}.zip`, new Blob([new Uint8Array(zip)], { type: 'application/zip' }))
}

/** What a set-up is made of, and whether there is a year with people, classes and results beside it. */
const wanted = new Set([
  ...['school.json', 'layout.json', 'year.json', 'beginning.json', 'scales.csv', 'subjects.csv', 'skills.csv'],
  ...['habits.csv', 'boxes.csv', 'phrasebook.csv', 'describing-words.csv'],
])

/**
 * The texts of a school folder's set-up, by the names of its files; a folder inside the zip is looked through.
 * @throws Error in words for the person who chose the file
 */
export function readSchoolFolder(bytes: Uint8Array): Record<string, string> {
  try {
    const isWanted = ({ name, originalSize }: { name: string; originalSize: number }): boolean =>
      wanted.has(lastOf(name).toLowerCase()) && !name.includes('__MACOSX') && originalSize <= largestPart
    const files = Object.entries(unzipSync(bytes, { filter: isWanted }))
    return Object.fromEntries(files.map(([path, content]) => [lastOf(path), decodeText(content)]))
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error)
    throw new Error(`This is no zip of a school folder (${why}). Choose the file that Facunda made.`, { cause: error })
  }
}

function lastOf(path: string): string {
  return path.replace(/^.*\//, '')
}
