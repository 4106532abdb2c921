import type { H3Event } from 'h3'
import type { z } from 'zod'
import { Refusal } from '../access/refusal'

/** The most bytes that a JSON body may have, and a file. */
export const largestJson = 1024 * 1024

/** Twenty thousand phrases, each with what its writer saw. */
export const largestSetup = 16 * 1024 * 1024

/** A hundred photos, or every answer of a long paper. */
export const largestEvidence = 16 * 1024 * 1024

/**
 * The body's bytes, refused before they are read where they are said to be too many, and as soon as they are too many
 * where nobody said. @throws Refusal
 */
export async function bodyBytes(event: H3Event, most: number): Promise<Buffer> {
  const { req, res } = event.node
  const tooLarge = (): Refusal => {
    // The rest is not read: the connection ends with the answer.
    res.setHeader('connection', 'close')
    return new Refusal('too large', `This is larger than ${mostInWords(most)}. Send less at once.`)
  }
  if (Number(req.headers['content-length'] ?? 0) > most) throw tooLarge()
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > most) throw tooLarge()
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}

/** The body, checked. @throws Refusal naming the first thing that is wrong */
export async function bodyOf<S extends z.ZodType>(event: H3Event, schema: S, most = largestJson): Promise<z.infer<S>> {
  const read = schema.safeParse(parsed(await bodyBytes(event, most)))
  if (read.success) return read.data
  const [issue] = read.error.issues
  const where = issue && issue.path.length > 0 ? ` (${issue.path.join('.')})` : ''
  throw new Refusal('invalid', issue ? `${issue.message}${where}` : 'This could not be read.')
}

function parsed(bytes: Buffer): unknown {
  try {
    return JSON.parse(bytes.toString('utf8')) as unknown
  } catch {
    throw new Refusal('invalid', 'This is no JSON.')
  }
}

function mostInWords(most: number): string {
  return most >= 1024 * 1024 ? `${most / 1024 / 1024} MB` : `${Math.round(most / 1024)} kB`
}
