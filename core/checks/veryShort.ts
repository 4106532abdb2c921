import { farUnder } from '../narrative/boxes'
import { countGraphemes } from '../narrative/graphemes'
import { explanations } from './explanations'
import type { Check } from './finding'
import { ofWhole } from './finding'

/** A text that leaves its box almost empty. */
export const veryShort: Check = (input) => {
  const { text, box } = input
  const length = countGraphemes(text)
  if (text.trim() === '' || length >= box.limit * farUnder) return []
  return [ofWhole('very short', explanations['very short'](length, box.limit), input)]
}
