import { strFromU8, unzipSync } from 'fflate'

/** What a file says: a folder by all that is in it. */
export function textIn(file: Uint8Array): string {
  const isZip = strFromU8(file.subarray(0, 2)) === 'PK'
  return isZip
    ? Object.values(unzipSync(file))
        .map((each) => strFromU8(each))
        .join('\n')
    : strFromU8(file)
}
