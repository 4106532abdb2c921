import type { DraftSentence } from './because'
import { contentWords } from './wordFamily'

/**
 * Moves composed sentences along when a text is edited. What stands before or after the change moves with it; a
 * sentence that the change touches takes in what was typed within it, so that its because stays with it. A sentence
 * that was deleted whole keeps an empty place, so that it is known what the teacher took out.
 *
 * @example followEdits([sentenceFrom0To10], 'She reads.', 'Now she reads.') // the same sentence, from 0 to 14
 */
export function followEdits(sentences: readonly DraftSentence[], before: string, after: string): DraftSentence[] {
  const { from, removed, added } = alongEdges(changeBetween(before, after), sentences, before, after)
  const to = from + removed
  const shift = added - removed
  const newStart = (start: number): number => {
    if (start < from || (start === from && removed > 0)) return start
    // Typed right before a sentence is in front of it, not in it.
    return start >= to ? start + shift : from + added
  }
  const newEnd = (end: number): number => (end <= from ? end : end >= to ? end + shift : from + added)
  let searched = 0
  return sentences.map((sentence) => {
    // A sentence within a larger change may still stand there word for word.
    const words = before.slice(sentence.start, sentence.end)
    const touched = words !== '' && sentence.start < to && sentence.end > from
    const found = touched
      ? after
          .slice(0, from + added + Math.max(0, sentence.end - to))
          .indexOf(words, Math.max(searched, Math.min(from, sentence.start)))
      : -1
    if (found >= 0) {
      searched = found + words.length
      return { ...sentence, start: found, end: searched }
    }
    const start = newStart(sentence.start)
    const end = Math.max(start, sentence.start === sentence.end ? start : newEnd(sentence.end))
    return start === sentence.start && end === sentence.end
      ? sentence
      : withoutEdges({ ...sentence, start, end }, after)
  })
}

/**
 * The one stretch in which two texts differ, found from both ends.
 * @example changeBetween('She adds.', 'She often adds.') // { from: 4, removed: 0, added: 6 }
 */
export function changeBetween(before: string, after: string): { from: number; removed: number; added: number } {
  const shorter = Math.min(before.length, after.length)
  let from = 0
  while (from < shorter && before[from] === after[from]) from += 1
  let tail = 0
  while (tail < shorter - from && before[before.length - 1 - tail] === after[after.length - 1 - tail]) tail += 1
  return { from, removed: before.length - tail - from, added: after.length - tail - from }
}

/**
 * The same change at a sentence's edge, where it can be read so: with "She reads. She writes." and "She writes." left,
 * it is the first sentence that went, not "reads. She ".
 */
function alongEdges(
  change: ReturnType<typeof changeBetween>,
  sentences: readonly DraftSentence[],
  before: string,
  after: string,
): ReturnType<typeof changeBetween> {
  const { removed, added } = change
  if (removed > 0 && added > 0) return change
  const edges = new Set(sentences.flatMap((sentence) => [sentence.start, sentence.end]))
  const [longer, length] = removed > 0 ? [before, removed] : [after, added]
  for (let from = change.from; from >= 0; from -= 1) {
    if (edges.has(from)) return { ...change, from }
    if (from === 0 || longer[from - 1] !== longer[from + length - 1]) break
  }
  return change
}

/** A sentence's place without spaces at its ends. */
function withoutEdges(sentence: DraftSentence, text: string): DraftSentence {
  let { start, end } = sentence
  while (end > start && /\s/.test(text[end - 1] ?? '')) end -= 1
  while (start < end && /\s/.test(text[start] ?? '')) start += 1
  return { ...sentence, start, end }
}

/** How far a sentence is still the one that was composed. */
export type Fidelity = 'as composed' | 'changed' | 'own words' | 'taken out'

/**
 * Whether what stands in a sentence's place can still be traced to its facts: word for word, changed but with at least
 * half of its content words, or so far rewritten that nobody can say any more.
 * @example fidelity(sentence, text) // 'as composed', 'changed', 'own words' or 'taken out'
 */
export function fidelity(sentence: DraftSentence, text: string): Fidelity {
  const now = text.slice(sentence.start, sentence.end)
  if (now === sentence.composed) return 'as composed'
  if (now.trim() === '') return 'taken out'
  const all = (text: string): string[] => text.match(/\p{L}+/gu) ?? []
  // "Well done!" has no content words: then every word counts.
  const wordsIn = contentWords(sentence.composed).length > 0 ? contentWords : all
  const kept = new Set(wordsIn(now).map((word) => word.toLocaleLowerCase('en')))
  const composed = wordsIn(sentence.composed).map((word) => word.toLocaleLowerCase('en'))
  const still = composed.filter((word) => kept.has(word)).length
  return composed.length > 0 && still * 2 >= composed.length ? 'changed' : 'own words'
}
