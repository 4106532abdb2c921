import sharp from 'sharp'
import { largestPhoto, photoProblem } from '../../core/people/photo'
import { Refusal } from '../access/refusal'

/**
 * A photo as it is kept: its picture, decoded and encoded anew. What else a file holds (words of the camera, where it
 * was taken, a second picture, whatever stands behind its end) does not come along. The same photo comes out the same.
 * @param jpeg as base64
 * @throws Refusal where it is no picture, or larger than a photo is
 */
export async function cleanPhoto(jpeg: string): Promise<string> {
  const { width, height } = largestPhoto
  const picture = sharp(Buffer.from(jpeg, 'base64'), { limitInputPixels: width * height, failOn: 'error' })
  const made = await picture
    .autoOrient()
    .jpeg({ quality: 88, mozjpeg: false })
    .toBuffer()
    .catch(() => null)
  const clean = made?.toString('base64') ?? ''
  const problem = made === null ? 'This is no JPEG picture.' : photoProblem(clean)
  if (problem !== null) throw new Refusal('invalid', problem)
  return clean
}
