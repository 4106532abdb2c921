import { roundHalfUp } from '~~/core/marks/rounding'
import { largestPhoto } from '~~/core/people/photo'
import { studentMatcher } from '~~/core/people/matchStudent'
import type { Student } from '~~/core/record/roster'

/** A photo that was brought: whose it is, or why it is nobody's. */
export interface BroughtPhoto {
  readonly name: string
  readonly studentId: string | null
  /** As base64; empty where the file is no picture. */
  readonly jpeg: string
  readonly problem: string
}

const picture = /\.(jpe?g|png|webp|gif|bmp)$/i
/** What the pictures of a zip may come to once they are unpacked; a class's are a tenth of it. */
const largestPictures = 400 * 1024 * 1024

/**
 * Pictures from files, or from zips of them, each made small and without what its camera wrote into it. Whose each is
 * says its name: the school number, else the child's name.
 */
export async function photosIn(files: readonly File[], students: readonly Student[]): Promise<BroughtPhoto[]> {
  const match = studentMatcher(students)
  const brought: BroughtPhoto[] = []
  for (const { name, blob } of await picturesIn(files)) {
    const stem = (name.split(/[/\\]/).at(-1) ?? '').replace(/\.[^.]*$/, '')
    const called = stem.replace(/[_.]+/g, ' ').trim()
    const byNumber = match({ number: stem, name: '', given: '', family: '' })
    const found = byNumber.kind === 'found' ? byNumber : match({ number: '', name: called, given: '', family: '' })
    const studentId = found.kind === 'found' ? found.student.id : null
    const whose = studentId === null ? `No child here has the number or the name “${stem}”.` : ''
    try {
      brought.push({ name, studentId, jpeg: await smallJpeg(blob), problem: whose })
    } catch {
      brought.push({ name, studentId, jpeg: '', problem: 'This is no picture that can be read.' })
    }
  }
  return brought
}

async function picturesIn(files: readonly File[]): Promise<{ name: string; blob: Blob }[]> {
  const pictures: { name: string; blob: Blob }[] = []
  for (const file of files) {
    const [first, second] = new Uint8Array(await file.slice(0, 2).arrayBuffer())
    if (first !== 0x50 || second !== 0x4b) pictures.push({ name: file.name, blob: file })
    else {
      const { unpack } = await import('~~/core/exchange/files/workbook/unpack')
      // Systems put shadows of their own beside each file.
      const isWanted = (name: string): boolean => picture.test(name) && !/(^|\/)(\._|__MACOSX)/.test(name)
      for (const [name, bytes] of unpack(new Uint8Array(await file.arrayBuffer()), isWanted, largestPictures))
        pictures.push({ name, blob: new Blob([new Uint8Array(bytes)]) })
    }
  }
  return pictures
}

/** The picture drawn anew, upright, no larger than photos are kept. @throws where it is no picture */
async function smallJpeg(blob: Blob): Promise<string> {
  const bitmap = await createImageBitmap(blob, { imageOrientation: 'from-image' })
  const { width, height } = largestPhoto
  for (const quality of [0.85, 0.7, 0.5]) {
    const scale = Math.min(1, (width * 0.75) / bitmap.width, (height * 0.75) / bitmap.height)
    const canvas = new OffscreenCanvas(
      Math.max(1, roundHalfUp(bitmap.width * scale)),
      Math.max(1, roundHalfUp(bitmap.height * scale)),
    )
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    const made = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg', quality })).arrayBuffer())
    if (made.length <= largestPhoto.bytes) return base64Of(made)
  }
  throw new Error('This picture stays too large.')
}

function base64Of(bytes: Uint8Array): string {
  let binary = ''
  for (let at = 0; at < bytes.length; at += 8192) binary += String.fromCharCode(...bytes.subarray(at, at + 8192))
  return btoa(binary)
}
