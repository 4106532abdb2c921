import { SaxesParser } from 'saxes'
import { UnreadableFile } from '../problem'

/** What is listened to in a document: names without their prefix, in the order of the document. */
export interface XmlListener {
  readonly open?: (name: string, attributes: Readonly<Record<string, string>>) => void
  readonly text?: (text: string) => void
  readonly close?: (name: string) => void
}

/**
 * Reads an XML document part by part, without keeping it. Entities of its own are not expanded: saxes knows none but
 * XML's five.
 * @throws UnreadableFile when it is no well-formed XML
 * @example readXml('<a><b/></a>', { open: (name) => names.push(name) }) // names: ['a', 'b']
 */
export function readXml(xml: string, { open, text, close }: XmlListener): void {
  const parser = new SaxesParser({ xmlns: false, position: false })
  parser.on('opentag', ({ name, attributes }) => open?.(localName(name), localNames(attributes)))
  if (text) parser.on('text', text)
  parser.on('closetag', ({ name }) => close?.(localName(name)))
  parser.on('error', () => {
    throw new UnreadableFile('The workbook is damaged inside. Save it once more and choose it again.')
  })
  parser.write(xml).close()
}

function localName(name: string): string {
  return name.slice(name.indexOf(':') + 1)
}

function localNames(attributes: Readonly<Record<string, string>>): Record<string, string> {
  return Object.fromEntries(Object.entries(attributes).map(([name, value]) => [localName(name), value]))
}
