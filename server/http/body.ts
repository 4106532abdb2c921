import type { H3Event } from 'h3'
import type { z } from 'zod'
import { jsonShapeProblem } from '../../core/text/jsonShape'
import { Refusal } from '../access/refusal'

/** The most bytes that a JSON body may have, and a file. */
export const largestJson = 1024 * 1024

/** Twenty thousand phrases, each with what its writer saw. */
export const largestSetup = 16 * 1024 * 1024

/** So many bytes too many are let run out. */
const mostLetRunOut = 64 * 1024 * 1024

/** A hundred photos, or every answer of a long paper. */
export const largestEvidence = 16 * 1024 * 1024

/**
 * The body's bytes, refused before they are read where they are said to be too many, and as soon as they are too many
 * where nobody said. @throws Refusal
 */
export async function bodyBytes(event: H3Event, most: number): Promise<Buffer> {
  const chunks: Buffer[] = []
  for await (const chunk of bodyStream(event, most)) chunks.push(chunk)
  return Buffer.concat(chunks)
}

/** The same as it comes, for what is too large to be held. @throws Refusal */
export async function* bodyStream(event: H3Event, most: number): AsyncGenerator<Buffer> {
  const { req } = event.node
  const said = Number(req.headers['content-length'] ?? 0)
  const tooLarge = (): Refusal =>
    new Refusal('too large', `This is larger than ${mostInWords(most)}. Send less at once.`)
  if (said > most) throw tooLarge()
  let size = 0
  // Whoever looks at no more of it leaves the rest to letRunOut, and not a connection that is broken.
  for await (const chunk of req.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > most) throw tooLarge()
    yield chunk
  }
}

/**
 * Lets what was not looked at of a body run out, so that the next request on the connection is found behind it; a
 * connection that ends meanwhile may end before its answer is read. Of what is too long to wait for, the connection
 * ends with the answer.
 */
export function letRunOut({ node: { req, res } }: H3Event): void {
  if (req.readableEnded || req.complete) {
    req.resume()
    return
  }
  const said = Number(req.headers['content-length'] ?? Infinity)
  if (said > mostLetRunOut && !res.headersSent) res.setHeader('connection', 'close')
  let size = 0
  req.on('data', (chunk: Buffer) => {
    size += chunk.length
    if (size > mostLetRunOut) req.destroy()
  })
  req.resume()
}

/** The body, checked. @throws Refusal naming the first thing that is wrong */
export async function bodyOf<S extends z.ZodType>(event: H3Event, schema: S, most = largestJson): Promise<z.infer<S>> {
  return checked(parsed(await bodyBytes(event, most)), schema)
}

/** What came, checked. @throws Refusal naming the first thing that is wrong */
export function checked<S extends z.ZodType>(came: unknown, schema: S): z.infer<S> {
  const read = schema.safeParse(came)
  if (read.success) return read.data
  const [issue] = read.error.issues
  throw new Refusal('invalid', issue ? `${issue.message}${placeInWords(issue.path)}` : 'This could not be read.')
}

/**
 * Where something is wrong, as people count and say it.
 * @example placeInWords(['students', 0, 'student', 'schoolNumber']) // ' (school number, number 1 of the list)'
 */
function placeInWords(path: readonly PropertyKey[]): string {
  const nth = path.find((each) => typeof each === 'number')
  const field = path.findLast((each) => typeof each === 'string')?.replace(/\p{Lu}/gu, ' $&')
  const words = [field?.toLocaleLowerCase('en'), nth === undefined ? undefined : `number ${nth + 1} of the list`]
  const said = words.filter(Boolean).join(', ')
  return said === '' ? '' : ` (${said})`
}

function parsed(bytes: Buffer): unknown {
  const problem = jsonShapeProblem(bytes)
  if (problem !== null) throw new Refusal('invalid', problem)
  try {
    return JSON.parse(bytes.toString('utf8')) as unknown
  } catch {
    throw new Refusal('invalid', 'This is no JSON.')
  }
}

function mostInWords(most: number): string {
  return most >= 1024 * 1024 ? `${most / 1024 / 1024} MB` : `${Math.ceil(most / 1024)} kB`
}
