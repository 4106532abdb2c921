import type { Because } from '../narrative/because'
import { proposeInStep } from '../narrative/outOfStep'
import { draftRequest } from '../record/narrativeFacts'
import { explanations } from './explanations'
import type { Check, Finding } from './finding'

/** Sentences whose facts have changed since they were written, with the text that would be in step. */
export const outOfStep: Check = ({ index, student, box, comment, text }) => {
  if (!comment || comment.sentences.length === 0) return []
  const proposal = proposeInStep(text, comment.sentences, draftRequest(index, student, box), index.record.phrasebook)
  if (!proposal) return []
  const mends = proposal.merged
    ? [{ label: 'Bring it into step', start: 0, end: text.length, text: proposal.merged.text }]
    : []
  return proposal.stale.flatMap(({ at, then, now }): Finding[] => {
    const sentence = comment.sentences[at]
    if (!sentence || sentence.start === sentence.end) return []
    return [
      {
        check: 'out of step',
        why: explanations['out of step'](toldBy(then), toldBy(now)),
        start: sentence.start,
        end: sentence.end,
        mends,
      },
    ]
  })
}

function toldBy(reasons: readonly Because[]): string {
  return reasons.map(({ text }) => text).join('; ')
}
