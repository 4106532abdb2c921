import { indexPhrases } from '../narrative/phraseIndex'
import type { Phrasebook } from '../narrative/phrase'
import { frameKey, shapeOf } from '../narrative/readyPhrase'
import { Usage } from '../narrative/usage'
import type { StudentComment } from './termRecord'

/**
 * How often each phrase stands in texts already, at which tiers, and with what it tells: new drafts keep away from it.
 * @example usageOfComments(comments, phrasebook).ofPhrase('p-17') // 3: so many of them say that phrase
 */
export function usageOfComments(comments: readonly StudentComment[], phrasebook: Phrasebook): Usage {
  const usage = new Usage()
  const { byId } = indexPhrases(phrasebook)
  for (const { phraseIds, parts, because } of comments.flatMap((comment) => comment.sentences)) {
    const tiers = new Set(because.flatMap((each) => each.tier ?? []))
    for (const id of phraseIds)
      usage.note({ id, frame: byId(id)?.frame ?? frameKey(shapeOf(id)) }, { keys: parts, tiers })
  }
  return usage
}
