/** Photos of children are small: enough to know a face by, on a screen and on paper. */
export const largestPhoto = { width: 480, height: 640, bytes: 120_000 }

/**
 * Why a photo cannot be kept, in words; null where it can. A photo is a JPEG without what cameras write into it (Exif
 * tells where it was taken), of no more than 480 × 640 pixels. Segments after ITU-T T.81, B.1.1.3, from memory.
 * @param jpeg as base64
 * @example photoProblem('iVBORw0KGgo…') // 'This is no JPEG picture.'
 */
export function photoProblem(jpeg: string): string | null {
  if (jpeg.length * 0.75 > largestPhoto.bytes) return `A photo is no larger than ${largestPhoto.bytes / 1000} kB.`
  const bytes = bytesOf(jpeg)
  const size = bytes && sizeOfJpeg(bytes)
  if (!size) return 'This is no JPEG picture.'
  if (size.tells) return 'The picture still tells what the camera wrote into it, such as the place. Save it without.'
  const { width, height } = largestPhoto
  return size.width > width || size.height > height
    ? `A photo has no more than ${width} × ${height} pixels; this has ${size.width} × ${size.height}.`
    : null
}

function bytesOf(base64: string): Uint8Array | null {
  if (!/^[A-Za-z0-9+/]+={0,2}$/.test(base64)) return null
  try {
    return Uint8Array.from(atob(base64), (character) => character.charCodeAt(0))
  } catch {
    return null
  }
}

const [startOfImage, startOfScan, comment] = [0xd8, 0xda, 0xfe]
/** Frame headers: C0 to CF, but for tables (C4, C8, CC). */
const isFrame = (marker: number): boolean => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)
/** Application data but JFIF's own (E0), colour profiles (E2) and Adobe's colour transform (EE). */
const tellsMore = (marker: number): boolean =>
  marker === comment || (marker >= 0xe1 && marker <= 0xed && marker !== 0xe2)

/** Width and height of a JPEG, and whether it carries words beside its picture; null for what is none. */
function sizeOfJpeg(bytes: Uint8Array): { width: number; height: number; tells: boolean } | null {
  if (bytes[0] !== 0xff || bytes[1] !== startOfImage) return null
  const word = (at: number): number => ((bytes[at] ?? 0) << 8) | (bytes[at + 1] ?? 0)
  let [width, height, tells] = [0, 0, false]
  for (let at = 2; at < bytes.length && bytes[at] === 0xff; at += 2 + word(at + 2)) {
    const marker = bytes[at + 1] ?? 0
    tells ||= tellsMore(marker)
    if (isFrame(marker)) [height, width] = [word(at + 5), word(at + 7)]
    if (marker === startOfScan) return width > 0 && height > 0 ? { width, height, tells } : null
  }
  return null
}
