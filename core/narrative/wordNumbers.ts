import { numberOfWord } from './numbers'

/**
 * The words of a text, each once and as a small whole number, so that comparing texts is counting in a list.
 * @example wordNumbers('reads and reads') // as many as 'and reads' has: two
 */
export function wordNumbers(text: string): number[] {
  return [...new Set(text.toLowerCase().match(/[\p{L}’]+/gu) ?? [])].map(numberOfWord)
}
