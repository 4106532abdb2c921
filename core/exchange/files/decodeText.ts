import { UnreadableFile } from './problem'

/** The largest file taken in, in bytes. A class's gradebook is a few kilobytes. */
export const largestFile = 20 * 1024 * 1024

/**
 * Turns a file's bytes into text, as files come: UTF-8 with or without a byte order mark, UTF-16 with one, else
 * Windows-1252 (what older spreadsheets write).
 * @throws UnreadableFile when it is empty, too large, or no text at all
 * @example decodeText(new Uint8Array([0x5a, 0x6f, 0xeb])) // 'Zoë', from Windows-1252
 */
export function decodeText(bytes: Uint8Array, most: number = largestFile): string {
  if (bytes.length === 0) throw new UnreadableFile('The file is empty.')
  if (bytes.length > most) {
    throw new UnreadableFile(
      `The file is larger than ${most / 1024 / 1024} MB. A gradebook is much smaller: is this the right file?`,
    )
  }
  const kind = binaryKind(bytes) ?? markupKind(bytes)
  if (kind)
    throw new UnreadableFile(
      `This is ${kind}, whatever its name ends in. Save or export it as XLSX, ODS or CSV and choose that file.`,
    )
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes)
  if (bytes.includes(0))
    throw new UnreadableFile('The file holds bytes that are no text. Export it as CSV and choose that file.')
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return decodeWindows1252(bytes)
  }
}

const signatures: [number[], string][] = [
  [[0x25, 0x50, 0x44, 0x46], 'a PDF'],
  [[0x50, 0x4b, 0x03, 0x04], 'a workbook or another packed file'],
  [[0xd0, 0xcf, 0x11, 0xe0], 'a workbook of the old kind, or one with a password'],
  [[0x89, 0x50, 0x4e, 0x47], 'a picture'],
  [[0xff, 0xd8, 0xff], 'a picture'],
]

function binaryKind(bytes: Uint8Array): string | undefined {
  return signatures.find(([signature]) => signature.every((byte, index) => bytes[index] === byte))?.[1]
}

/** Pages and markup under a workbook's name, as some programs export them. */
function markupKind(bytes: Uint8Array): string | undefined {
  const start = new TextDecoder('latin1')
    .decode(bytes.slice(0, 400))
    .replace(/^(ï»¿|\s)+/, '')
    .toLowerCase()
  if (/^<(!doctype html|html|table|meta|head|body)\b/.test(start)) return 'a web page'
  return start.startsWith('<?xml') ? 'an XML file' : undefined
}

/**
 * The characters of Windows-1252 from 0x80 to 0x9F; the others are those of Latin 1. (Source: the WHATWG Encoding
 * Standard's index.) Done here because the decoder of Node 20 takes these bytes for control characters.
 */
const windows1252 = ['€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f', '\u0090‘’“”•–—˜™š›œ\u009džŸ'].join('')

function decodeWindows1252(bytes: Uint8Array): string {
  return new TextDecoder('latin1')
    .decode(bytes)
    .replace(/[\x80-\x9f]/g, (character) => windows1252.charAt(character.charCodeAt(0) - 0x80))
}
