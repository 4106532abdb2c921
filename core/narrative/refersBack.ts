import { partWith, type OpenPart } from './openPart'
import { readyAs, type ReadyPhrase } from './readyPhrase'

/**
 * The parts of a comment, where a next step for the habit that was told just before says "this" for it: "sometimes he
 * comes ready. For this, it would help …". Only where one habit stands at the end of what was told, so that nothing
 * else can be meant.
 */
export function referringBack(parts: readonly OpenPart[]): OpenPart[] {
  return parts.map((part, at) => {
    const before = parts[at - 1]
    if (part.planned.part !== 'next step' || !before || !endsWith(before, part)) return part
    // What changes there changes what "this" means.
    return partWith(part, {
      candidates: part.candidates.map(withThis),
      because: [...part.because, ...before.because],
    })
  })
}

/** Whether what was told before ends with the one habit that a part is about. */
function endsWith({ keys, because }: OpenPart, part: OpenPart): boolean {
  const about = part.because.find(({ kind }) => kind === 'habit')?.about
  const [last, other] = because.filter(({ kind }) => kind === 'habit').toReversed()
  return about !== undefined && keys.at(-1) === `habit ${about}` && last?.tier !== other?.tier
}

const known = new WeakMap<ReadyPhrase, ReadyPhrase>()

/** What stands for what somebody does, by the words before it: "for this", "is doing this". The first that fits. */
const waysToRefer: readonly (readonly [RegExp, string])[] = [
  [/\b(habit to build next is) \{#doing\}/i, '$1 this one'],
  [/\b(is|comes|ways of) \{#doing\}/i, '$1 doing this'],
  [/\b(for|with|in|about|of|make|out|needs|that|which|where|when|what) \{#doing\}/i, '$1 this'],
]

function withThis(phrase: ReadyPhrase): ReadyPhrase {
  const found = known.get(phrase)
  if (found) return found
  const [said, referring] = waysToRefer.find(([each]) => each.test(phrase.text)) ?? []
  const text = said && referring ? phrase.text.replace(said, referring) : phrase.text
  const made = text === phrase.text ? phrase : readyAs({ ...phrase, text }, phrase)
  known.set(phrase, made)
  return made
}
