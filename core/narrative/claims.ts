import type { Claim, PartKind } from './phrase'
import { contentWords, familyOf } from './wordFamily'

const families = (words: string): ReadonlySet<string> => new Set(words.split(/\s+/).filter(Boolean).map(familyOf))

/** Words of manner, time and school by which a level is told without a scene; ours. */
const neutral = families(`term year report comment subject skill level mark work class lesson
good well very strong stronger strongest strength best excellent outstanding exceptional remarkable superb
successful sound secure solid done gone went had stood stand out need needs help support time
learning learn learnt begun begin start started early stage
expected expect expectations confident confidence capably part way towards`)

/** What gives advice claims nothing of a child; it must fit the level that it is given for. */
export function isAdvice(part: PartKind): boolean {
  return part === 'next step' || part === 'help at home'
}

/** Words of greeting, thanks and wishes, and of doors that are open; ours. */
const courteous =
  families(`thank thanks support trust interest home look looking forward next new term wish happy break start good rest
please come talk whenever any time questions speak us together welcome hope see brings year holiday family
pleasure teach teaching`)

/** Words that make a scene or an absolute of any sentence: when, where, how often; ours. */
const scenes =
  /\b(each|every|always|never|whenever|monday|tuesday|wednesday|thursday|friday|morning|afternoon|evening|trips?|break ?time|lunch|playground|all our|once|twice|still|again)\b/i

/**
 * What a phrase claims, by its words: what comes neither from what it is about nor from manner words is a particular.
 * @param fixed what is printed whoever the child is (readyPhrase)
 * @param about the families of the words that the phrase is about: the subject's, the skill's, the habit's
 * @example claimOf({ part: 'closing', fixed: 'Thank you for your support.' }, new Set()) // 'courtesy'
 */
export function claimOf(
  { part, fixed }: { readonly part: PartKind; readonly fixed: string },
  about: ReadonlySet<string>,
): Claim {
  if (isAdvice(part)) return 'advice'
  const said = contentWords(fixed).map(familyOf)
  const isFrame = part === 'opening' || part === 'closing'
  if (isFrame && !scenes.test(fixed.replace(/\bwhenever you\b/i, '')) && said.every((word) => courteous.has(word)))
    return 'courtesy'
  if (scenes.test(fixed)) return 'particular'
  return said.every((word) => neutral.has(word) || about.has(word)) ? 'level' : 'particular'
}
