import type { Tier } from '../scales/tier'
import type { TextsOfOthers } from './alike'
import { preferenceOfEach } from './preference'
import type { ReadyPhrase } from './readyPhrase'
import type { Usage } from './usage'

/** Everything the cost of a wording looks at besides the phrase itself. */
export interface CostSetting {
  /** Who and which box: the same words, the same preferences. */
  readonly seed: string
  readonly usage: Usage
  readonly tone: string
  /** The box's subject; null for the general comment. */
  readonly subject: string | null
  /** Characters that each part should take for the text to suit its box. */
  readonly idealLength: number
  readonly namedOnly: boolean
  /** How often the teacher has been shown each phrase in this place and has asked for another. */
  readonly shown: ReadonlyMap<string, number>
  /** The phrases of the draft that stands; empty when none does. */
  readonly standing: ReadonlySet<string>
  /** Phrases in the student's other boxes, with how often. */
  readonly elsewhere: ReadonlyMap<string, number>
  /** The texts of those of whom the very same is told; null where there are none. */
  readonly heard: TextsOfOthers | null
}

/**
 * The weights of the one cost, chosen so that what classmates have weighs most. docs/decisions/0010 gives the reasons.
 */
export const weights = {
  perClassmate: 0.5,
  /**
   * Times the square of how many who stand at the same level have it: they may compare, and the third counts more than
   * the first.
   */
  perEqual: 1.5,
  /** For each classmate of whom the very same is said in the same words. */
  perSaying: 3,
  /** For each classmate whose sentence begins alike. */
  perFrame: 0.25,
  /** Times the square of how often the student's other boxes have the same shape. */
  perElsewhere: 0.6,
  /** For a comment all of whose words are a classmate's of whom the same is told; less for less. */
  alike: 400,
  /** The same again for what is so like that two families who compare would notice. */
  tooAlike: 6000,
  /** For each word that all have of whom the very same is told; less for fewer. */
  heard: 0.3,
  /** For a comment that leaves its box almost empty. */
  veryShort: 4,
  preference: 1,
  offLength: 0.5,
  otherTone: 1,
  /** For a phrase of any subject where the box has a subject of its own: what names the matter says more. */
  anySubject: 3,
  /** For a phrase of every level where the level is known: what is chosen by it says more. */
  anyLevel: 0.8,
  /** For a sentence that begins with the student: one in two is enough. */
  withStudent: 1.2,
  namedAgain: 0.7,
  shownBefore: 6,
  /** More than likeness can cost between two usual texts: what stands is not changed for what is said of others. */
  leavesStanding: 100,
  /** For each word of a phrase that, or a relative of which, another phrase of the comment has said. */
  wordAgain: 0.2,
  /** For the third sentence in a row that begins with the student, and each further one. */
  sameOpening: 30,
  /** For a next step in a sentence of its own: it leans on what was told before it. */
  stepApart: 3,
  /** For a sentence that begins as the one before it does, or is told in the same shape. */
  sameBeginning: 4,
  /** For a sentence that ends as another of the comment does: “a step up from the autumn”. */
  sameEnding: 4,
} as const

/** The costs of a part's wordings, apart from where their sentence stands among the others. Never below 0. */
export function wordingCosts(
  { tier, keys }: { readonly tier: Tier | null; readonly keys: readonly string[] },
  setting: CostSetting,
): (phrase: ReadyPhrase) => number {
  const { usage, idealLength } = setting
  const preferenceOf = preferenceOfEach(setting.seed)
  const atTier = tier === null ? null : usage.at(tier)
  const toldSo = usage.telling(keys)
  return (phrase) => {
    const off = Math.min(1, Math.abs(phrase.fixedLength - idealLength) / Math.max(1, idealLength))
    const used = usage.ofPhrase(phrase.idNumber)
    // What is said of the same begins the same.
    const alike = usage.ofFrame(phrase.frameNumber)
    return (
      (used === 0 ? 0 : used * weights.perClassmate + (atTier?.of(phrase.idNumber) ?? 0) ** 2 * weights.perEqual) +
      (alike === 0 ? 0 : alike * weights.perFrame + (toldSo.get(phrase.shape) ?? 0) * weights.perSaying) +
      (setting.elsewhere.size === 0 ? 0 : (setting.elsewhere.get(phrase.id) ?? 0) ** 2 * weights.perElsewhere) +
      (setting.heard === null ? 0 : setting.heard.wordsHeard(phrase) * weights.heard) +
      preferenceOf(phrase.letters) * weights.preference +
      off * weights.offLength +
      (setting.tone !== '' && phrase.tone !== '' && phrase.tone !== setting.tone ? weights.otherTone : 0) +
      (setting.subject !== null && phrase.subject === 'any' ? weights.anySubject : 0) +
      (tier !== null && phrase.tiers.length === 0 ? weights.anyLevel : 0) +
      (phrase.opensWithStudent ? weights.withStudent : 0) +
      (setting.namedOnly ? phrase.namings * weights.namedAgain : 0) +
      (setting.shown.size === 0 ? 0 : (setting.shown.get(phrase.id) ?? 0) * weights.shownBefore) +
      (setting.standing.size > 0 && !setting.standing.has(phrase.id) ? weights.leavesStanding : 0)
    )
  }
}

/** So much that tells the same must share of its words: below it nothing costs. */
const alikeFrom = 0.3
/** From here on two texts are taken for one; well below the half that none may share, as not all choices get there. */
const tooAlikeFrom = 0.4

/**
 * The cost of a comment for the share of words that it has in common with the most alike one of a classmate of whom the
 * very same is told.
 * @param share Jaccard's index of the two word sets, from 0 to 1
 */
export function alikeCost(share: number): number {
  return Math.max(0, share - alikeFrom) ** 2 * weights.alike + Math.max(0, share - tooAlikeFrom) ** 2 * weights.tooAlike
}

/**
 * The cost of one more sentence that begins with the student, after so many in a row that do.
 *
 * @example openingCost(1) // 0; from two in a row on, the third costs
 */
export function openingCost(runBefore: number): number {
  return runBefore >= runThatCosts ? weights.sameOpening : 0
}

/**
 * The cost of a phrase that begins or ends as one that stands before it: "He seldom …. He seldom …"; or is told in the
 * shape of the one right before it.
 */
export function saidAlike(
  before: readonly { readonly phrase: ReadyPhrase }[],
  { frame, begins, ends }: ReadyPhrase,
): number {
  let endsSo = false
  let beginsSo = before.at(-1)?.phrase.frame === frame
  for (const { phrase } of before) {
    if (ends !== '' && phrase.ends === ends) endsSo = true
    if (begins !== '' && phrase.begins === begins) beginsSo = true
  }
  return (endsSo ? weights.sameEnding : 0) + (beginsSo ? weights.sameBeginning : 0)
}

/** After so many sentences in a row that begin with the student one more costs. */
export const runThatCosts = 2
