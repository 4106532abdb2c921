import { partKinds, type PartKind } from './phrase'

/** One part of a comment, in its place. */
export interface PlannedPart {
  part: PartKind
  /** The strand or habit; "any" where the part speaks of none, "weakest" for a next step about the weakest outcome. */
  about: string
  /** True when it is joined to the part before into one sentence, where that reads well. */
  sharesSentence: boolean
}

/** A place on the report where a text goes, and how it is composed. */
export interface CommentBox {
  key: string
  name: string
  /** A subject's key, or null for the general comment. */
  subject: string | null
  /** The most characters (graphemes) that fit. */
  limit: number
  plan: PlannedPart[]
}

/**
 * Reads a plan as it is written: parts parted by semicolons, "+" between parts that share a sentence.
 * @example readPlan('opening; outcome Number + outcome Measuring; next step; closing')
 * @throws Error naming the part that is none
 */
export function readPlan(written: string): PlannedPart[] {
  return written.split(';').map((chunk) => chunk.trim()).filter(Boolean).flatMap((chunk) =>
    chunk.split('+').map((each, index) => ({ ...readPart(each.trim()), sharesSentence: index > 0 })))
}

/** The inverse of readPlan. */
export function writePlan(plan: readonly PlannedPart[]): string {
  return plan
    .map((part, index) => `${index === 0 ? '' : part.sharesSentence ? ' + ' : '; '}${part.part}${['any', 'weakest'].includes(part.about) ? '' : ` ${part.about}`}`)
    .join('')
}

function readPart(written: string): Omit<PlannedPart, 'sharesSentence'> {
  const part = partKinds.find((kind) => written === kind || written.startsWith(`${kind} `))
  if (!part) throw new Error(`“${written}” is no part of a comment. Parts are: ${partKinds.join(', ')}.`)
  const about = written.slice(part.length).trim()
  if (about === '' && (part === 'outcome' || part === 'habit')) throw new Error(`“${part}” needs the name of one, as in “${part} Number”.`)
  return { part, about: about || (part === 'next step' ? 'weakest' : 'any') }
}
