import type { DraftSentence } from './because'

/**
 * Follows composed sentences through the teacher's edits: a sentence that still stands word for word keeps its
 * because at its new place; one that was changed or taken out loses it, since nobody can say any more that it holds.
 */
export function followEdits(sentences: readonly DraftSentence[], before: string, after: string): DraftSentence[] {
  let from = 0
  return sentences.flatMap((sentence) => {
    const text = before.slice(sentence.start, sentence.end)
    const start = after.indexOf(text, from)
    if (text === '' || start < 0) return []
    from = start + text.length
    return [{ ...sentence, start, end: from }]
  })
}
