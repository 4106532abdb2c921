import { numberOfWord } from './numbers'

/**
 * The words of a text, each once and as a small whole number, so that comparing texts is counting in a list.
 * @example wordNumbers('reads and reads') // as many as 'and reads' has: two
 */
export function wordNumbers(text: string): number[] {
  const numbers: number[] = []
  for (const word of text.toLowerCase().match(/[\p{L}’]+/gu) ?? []) {
    const number = numberOfWord(word)
    if (!numbers.includes(number)) numbers.push(number)
  }
  return numbers
}
