import { directionOf, type Tier } from '../scales/tier'
import type { OpenPart } from './openPart'
import type { ReadyPhrase } from './readyPhrase'

/** Where a comment stands after some of its parts, as far as joining sentences goes. */
export interface Joining {
  /** What was told last, and at which tier; null for nothing yet. */
  readonly last: ReadyPhrase | null
  readonly lastTier: Tier | null
  /** How many parts the sentence under way holds. */
  readonly inSentence: number
  /** Whether the sentence under way, and the one before it, hold a contrast. */
  readonly contrast: boolean
  readonly contrastBefore: boolean
}

/** What stands between two parts of one sentence. */
export type Link = 'and' | 'but' | ';'

export const nothingJoined: Joining = {
  last: null,
  lastTier: null,
  inSentence: 0,
  contrast: false,
  contrastBefore: false,
}

/**
 * Whether the next part joins the sentence under way: with "and" when both point the same way, with "but" between a
 * strength and a difficulty; null for a sentence of its own. Never two contrasts in a row, and never a sentence that
 * runs on.
 *
 * @example linkTo(afterAStrongOne, anotherStrongOne, 'strong', true) // 'and'; where one is strong and one weak, 'but'
 */
export function linkTo(
  now: Joining,
  phrase: ReadyPhrase,
  tier: Tier | null,
  sharesSentence: boolean,
): 'and' | 'but' | null {
  const { last } = now
  if (
    !sharesSentence ||
    !last ||
    now.inSentence !== 1 ||
    !last.joins ||
    !phrase.joins ||
    (last.isDouble && phrase.isDouble)
  )
    return null
  const agree = directionOfTier(now.lastTier) === directionOfTier(tier)
  if (agree) return 'and'
  return now.contrastBefore ? null : 'but'
}

/** Where a comment stands after one more part. */
export function joined(now: Joining, phrase: ReadyPhrase, tier: Tier | null, link: Link | null): Joining {
  return {
    last: phrase,
    lastTier: tier,
    inSentence: link ? now.inSentence + 1 : 1,
    contrast: link === 'but',
    contrastBefore: link ? now.contrastBefore : now.contrast,
  }
}

/**
 * Whether a part joins the sentence under way: as linkTo has it; or, for a next step for what was told just before,
 * behind a semicolon: "She is learning to retell a story; the next step is to tell it in order."
 * A comment of two parts has two sentences.
 * @param parts all of the comment
 * @param at which of them it is
 */
export function linkOf(now: Joining, phrase: ReadyPhrase, parts: readonly OpenPart[], at: number): Link | null {
  const before = parts[at - 1]
  const part = parts[at]
  if (!part) return null
  const mayHang = parts.length > 2 && now.inSentence === 1
  if (mayHang && before && now.last && isStepOf(now.last, before, phrase, part)) return ';'
  return linkTo(now, phrase, part.tier, part.planned.sharesSentence)
}

/** So many words are read in one breath, whatever parts them. */
const mostWords = 24

/** What parts a sentence already; a full stop at its end is none. */
const hasStops = /[;:]|[.!?]./

function isStepOf(told: ReadyPhrase, before: OpenPart, phrase: ReadyPhrase, part: OpenPart): boolean {
  return (
    part.planned.part === 'next step' &&
    told.wordCount + phrase.wordCount <= mostWords &&
    !hasStops.test(phrase.text) &&
    !hasStops.test(told.text) &&
    isFor(part, phrase, before.keys.at(-1))
  )
}

/** Whether a step is given for the skill or habit that was told last, and not for another that stands alike. */
function isFor({ because }: OpenPart, phrase: ReadyPhrase, key: string | undefined): boolean {
  const [, told] = /^(?:skill|habit) (.+)$/.exec(key ?? '') ?? []
  const isOfOther = phrase.about !== told && because.some(({ about }) => about === phrase.about)
  return told !== undefined && !isOfOther && because.some(({ about }) => about === told)
}

function directionOfTier(tier: Tier | null): string {
  return tier === null ? 'strength' : directionOf(tier)
}
