import { unzipSync } from 'fflate'
import { UnreadableFile } from '../problem'

/** How much the parts of a workbook or a bundle may take once they are unpacked. */
const largestUnpacked = 60 * 1024 * 1024

/**
 * The parts of a packed file that are asked for, by name. Nothing is written anywhere, so a name that climbs out of a
 * folder is only a name that nobody asks for.
 * @throws UnreadableFile when it is no packed file, or swells beyond what a workbook takes
 * @example unpack(bytes, (name) => name === 'content.xml').get('content.xml')
 */
export function unpack(
  bytes: Uint8Array,
  isWanted: (name: string) => boolean,
  largest = largestUnpacked,
): Map<string, Uint8Array> {
  let unpacked = 0
  try {
    return new Map(
      Object.entries(
        unzipSync(bytes, {
          filter: ({ name, originalSize }) => {
            if (!isWanted(name)) return false
            unpacked += originalSize
            if (unpacked > largest) throw new UnreadableFile(tooLarge(largest))
            return true
          },
        }),
      ),
    )
  } catch (error) {
    if (error instanceof UnreadableFile) throw error
    throw new UnreadableFile('The file is damaged: it cannot be unpacked. Save it once more and choose it again.')
  }
}

const tooLarge = (largest: number): string =>
  `Unpacked, the file is larger than ${largest / 1024 / 1024} MB. ` +
  'A class’s is much smaller: save only what belongs to it and choose that file.'

/** The text of a part; empty where it is not there. */
export function partText(parts: ReadonlyMap<string, Uint8Array>, name: string): string {
  return new TextDecoder().decode(parts.get(name) ?? new Uint8Array())
}
