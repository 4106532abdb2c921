import { indexPhrases } from '../narrative/phraseIndex'
import type { Phrasebook } from '../narrative/phrase'
import { frameKey } from '../narrative/readyPhrase'
import { sayingKey, shapeOf, usageKey, type Usage } from '../narrative/wordingCost'
import type { StudentComment } from './termRecord'

/**
 * How often each phrase stands in texts already, at which tiers, and with what it tells: new drafts keep away from it.
 * @example usageOfComments(comments, phrasebook).get('p-17') // 3: so many of them say that phrase
 */
export function usageOfComments(comments: readonly StudentComment[], phrasebook: Phrasebook): Usage {
  const usage = new Map<string, number>()
  const { byId } = indexPhrases(phrasebook)
  const count = (key: string): unknown => usage.set(key, (usage.get(key) ?? 0) + 1)
  for (const { phraseIds, parts, because } of comments.flatMap((comment) => comment.sentences)) {
    const tiers = new Set(because.flatMap((each) => each.tier ?? []))
    for (const id of phraseIds) {
      count(usageKey(id))
      count(sayingKey(id, parts))
      count(byId(id)?.frame ?? frameKey(shapeOf(id)))
      for (const tier of tiers) count(usageKey(id, tier))
    }
  }
  return usage
}
