import { usageKey, type Usage } from '../narrative/wordingCost'
import type { StudentComment } from './termRecord'

/**
 * How often each phrase stands in texts already, and at which tiers: what new drafts keep away from.
 * @example usageOfComments(comments).get('p-17') // 3: so many of them say that phrase
 */
export function usageOfComments(comments: readonly StudentComment[]): Usage {
  const usage = new Map<string, number>()
  const count = (key: string): unknown => usage.set(key, (usage.get(key) ?? 0) + 1)
  for (const { phraseIds, because } of comments.flatMap((comment) => comment.sentences)) {
    const tiers = new Set(because.flatMap((each) => each.tier ?? []))
    for (const id of phraseIds) {
      count(usageKey(id))
      for (const tier of tiers) count(usageKey(id, tier))
    }
  }
  return usage
}
