import type { Block } from '../document'

/** A comment's text as a block of the report. */
export function commentBlock(text: string): Block {
  return { kind: 'paragraph', text, voice: 'comment' }
}
