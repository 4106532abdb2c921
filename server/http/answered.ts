import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'
import { getRequestHeader, setResponseHeaders, type H3Event } from 'h3'
import { JsonText } from '../data/jsonText'

const compressBrotli = promisify(brotliCompress)
const compressGzip = promisify(gzip)

/** Answers smaller than this fit a packet as they are. */
const worthCompressing = 1400

/** An answer as JSON, compressed as the browser likes it; the work is done beside the main thread. */
export async function answered(event: H3Event, answer: unknown): Promise<unknown> {
  if (answer instanceof Uint8Array || answer instanceof ReadableStream || answer === undefined) return answer
  const json = answer instanceof JsonText ? answer.text : JSON.stringify(answer)
  setResponseHeaders(event, { 'content-type': 'application/json', 'vary': 'accept-encoding' })
  if (json.length < worthCompressing) return json
  const taken = getRequestHeader(event, 'accept-encoding') ?? ''
  if (/\bbr\b/.test(taken)) {
    setResponseHeaders(event, { 'content-encoding': 'br' })
    return compressBrotli(json, { params: { [constants.BROTLI_PARAM_QUALITY]: 1 } })
  }
  if (/\bgzip\b/.test(taken)) {
    setResponseHeaders(event, { 'content-encoding': 'gzip' })
    return compressGzip(json)
  }
  return json
}
