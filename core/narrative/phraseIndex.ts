import { tiers, type Tier } from '../scales/tier'
import { isAdvice } from './claims'
import { familyNumber } from './familyNumber'
import type { PartKind, Phrase, Phrasebook } from './phrase'
import { readyPhrase, type ReadyPhrase } from './readyPhrase'

/**
 * The phrases that may be said for a part of a box: of the box's subject and of any, at one tier (null: at none).
 * An outcome that a subject words itself is not worded for any subject, and what nobody words is told by its own
 * words; a part that is no outcome or habit may also speak in general; and the general comment says of what
 * serves any subject only what speaks of a habit. The outcome of an uneven strand has phrases of its own, which may
 * speak in general too. Advice that a subject has enough of is not that for any subject.
 * @param subject the box's; null for the general comment
 */
export function phrasesFor(
  phrasebook: Phrasebook,
  subject: string | null,
  { part, about }: Pick<Phrase, 'part' | 'about'>,
  { tier, uneven = false }: { tier: Tier | null; uneven?: boolean | undefined },
): readonly ReadyPhrase[] {
  const index = indexPhrases(phrasebook)
  const key = [subject ?? '\u0000', part, about, tier, uneven].join('\u0000')
  const known = index.found.get(key)
  if (known) return known
  const made = phrasesIn(index, subject, { part, about }, { tier, uneven })
  index.found.set(key, made)
  return made
}

/** With so much advice of a subject's own, what is written for any subject is not given: a game has no fair copy. */
const enoughAdvice = 4

function phrasesIn(
  index: PhraseIndex,
  subject: string | null,
  { part, about }: Pick<Phrase, 'part' | 'about'>,
  { tier, uneven }: { tier: Tier | null; uneven: boolean },
): ReadyPhrase[] {
  if (uneven && part === 'outcome')
    return [subject ?? 'general', 'any'].flatMap((each) =>
      [about, 'any'].flatMap((what) => index.find(each, 'uneven outcome', what, tier)),
    )
  const { find } = index
  const abouts = part === 'outcome' || part === 'habit' || about === 'any' ? [about] : [about, 'any']
  const own = abouts.flatMap((each) => find(subject ?? 'general', part, each, tier))
  if (part === 'outcome' && own.length > 0) return own
  const hasOwnAdvice = isAdvice(part) && find(subject ?? 'general', part, 'any', tier).length >= enoughAdvice
  const shared = abouts.filter((each) => each !== 'any' || (subject !== null && !hasOwnAdvice))
  const found = [...own, ...shared.flatMap((each) => find('any', part, each, tier))]
  return (part === 'outcome' || part === 'habit') && found.length === 0 ? find('any', part, 'any', tier) : found
}

/** What a phrase is looked up as. */
type IndexedPart = PartKind | 'uneven outcome'

/** A phrasebook by what its phrases are looked up by, made once per phrasebook. */
export interface PhraseIndex {
  /** Phrases for a part of a subject that speak of this at this tier, in the phrasebook's order. Null: at no tier. */
  readonly find: (subject: string, part: IndexedPart, about: string, tier: Tier | null) => ReadyPhrase[]
  /** What phrasesFor has found already. */
  readonly found: Map<string, readonly ReadyPhrase[]>
  /** A phrase by its id. */
  readonly byId: (id: string) => ReadyPhrase | undefined
  /** The numbers of the word families of all describing words: what may stand only once in a comment. */
  readonly describingFamilies: ReadonlySet<number>
}

const indexes = new WeakMap<Phrasebook, PhraseIndex>()

/**
 * Indexes a phrasebook in O(phrases); each look-up is O(1).
 * @throws NotationError for a phrase that cannot be read
 */
export function indexPhrases(phrasebook: Phrasebook): PhraseIndex {
  const known = indexes.get(phrasebook)
  if (known) return known
  const groups = new Map<string, ReadyPhrase[]>()
  const phrases = new Map(phrasebook.phrases.map((phrase) => [phrase.id, phrase]))
  for (const phrase of phrasebook.phrases) {
    // A phrase for every tier also suits a part that speaks of none.
    for (const tier of phrase.tiers.length > 0 ? phrase.tiers : [...tiers, null]) {
      const key = keyOf(phrase.subject, phrase.uneven ? 'uneven outcome' : phrase.part, phrase.about, tier)
      const group = groups.get(key)
      if (group) group.push(readyPhrase(phrase))
      else groups.set(key, [readyPhrase(phrase)])
    }
  }
  const made: PhraseIndex = {
    found: new Map(),
    byId: (id) => {
      const phrase = phrases.get(id)
      return phrase && readyPhrase(phrase)
    },
    find: (subject, part, about, tier) => groups.get(keyOf(subject, part, about, tier)) ?? none,
    describingFamilies: new Set(Object.values(phrasebook.describing).flat().map(familyNumber)),
  }
  indexes.set(phrasebook, made)
  return made
}

const none: ReadyPhrase[] = []

function keyOf(subject: string, part: IndexedPart, about: string, tier: Tier | null): string {
  return `${subject}\u0000${part}\u0000${about}\u0000${tier}`
}
