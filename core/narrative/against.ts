import type { NarrativeFacts } from './because'

/** A claim in a text that what is recorded speaks against. */
export interface Contradicted {
  readonly start: number
  readonly end: number
  /** What the record says: "2 pieces of work came late". */
  readonly why: string
}

type Recorded = Pick<NarrativeFacts, 'counts'>

interface Condition {
  readonly claim: RegExp
  /** What speaks against it; null where nothing does. */
  readonly against: (facts: Recorded) => string | null
}

const they = 'his|her|their|the|zir|xyr|our'

/**
 * The one table of claims that can be held against what is counted: used to choose phrases, to check a text, and to
 * see whether a text is out of step.
 */
const conditions: readonly Condition[] = [
  {
    claim: new RegExp(
      [
        String.raw`\b(?:hands?|handed|gives?|gave|turns?) (?:\p{L}+[’'-]?\p{L}* ){0,5}?in (?:\p{L}+ ){0,2}?on time\b`,
        String.raw`\bon time with\b`,
        String.raw`\b(?:is|was|are|were|been|comes?|came) never late\b`,
        String.raw`\bnever (?:been )?late with\b`,
        String.raw`\bnothing (?:is|was) (?:ever )?(?:late|missing)\b`,
        String.raw`\b(?:meets?|met|keeps? to) (?:every|each|all) (?:deadline|due)`,
        String.raw`\bnever (?:misses|missed) (?:a|one) deadline\b`,
      ].join('|'),
      'giu',
    ),
    against: ({ counts }) => lateOrMissing(counts),
  },
  {
    claim: new RegExp(
      [
        String.raw`\b(?:hands?|handed|given|turned) in (?:every|each|all)\b(?: \p{L}+){0,4}`,
        String.raw`\ball (?:of )?(?:${they}) (?:work|homework|tasks|reports|pieces)(?: \p{L}+){0,2} (?:comes?|came|is|are|was|were) (?:handed )?in\b`,
        String.raw`\bevery (?:piece of work|task|assignment|report)\b(?: \p{L}+){0,3} (?:in|done|finished|complete)\b`,
        String.raw`\bno work (?:is|was) missing\b`,
      ].join('|'),
      'giu',
    ),
    against: ({ counts }) => lateOrMissing(counts),
  },
  {
    claim:
      /\b(?:perfect|full|excellent) attendance\b|\b(?:has|have) ?(?:not|n[’']t|never) missed (?:a|one|any)(?: single)? (?:day|lesson|class)s?\b|\bnever missed (?:a|one|any)(?: single)? (?:day|lesson)\b|\b(?:here|present|at school|in school) (?:on )?every (?:single )?day\b|\b(?:every (?:single )?|all (?:of )?(?:our|the) )lessons?\b/giu,
    against: ({ counts: { attendance } }) =>
      attendance && attendance.absences > 0 ? daysAway(attendance.absences) : null,
  },
  {
    claim:
      /\b(?:absent|away|missed school|off school) (?:a lot|often|too often|very often|for long|too much|so often|for much)\b|\boften (?:absent|away)\b|\bmany (?:absences|days away|missed days)\b|\bmissed (?:a lot|many|much|so many|too many)\b/giu,
    against: ({ counts: { attendance } }) =>
      attendance && attendance.absences < attendance.daysOpen * muchAway ? daysAway(attendance.absences) : null,
  },
  {
    claim: /\b(?:has|have|is|are) (?:settled|found (?:a|his|her|their) (?:good )?place|been part of)\b/giu,
    against: ({ counts: { attendance } }) =>
      attendance && attendance.absences > attendance.daysOpen / 2 ? daysAway(attendance.absences) : null,
  },
]

/** From this share of the days on, somebody was away much; ours. */
const muchAway = 0.06

/** What makes a wish, a plan or a habit with exceptions of what would be a claim; ours. */
const softened =
  /\b(next|could|should|would|might|may|goal|aim|hope|wish|learns?|learning|working on|try|tries|trying|more often|sometimes|often|mostly|usually|nearly|almost|seldom|not always|last term|until|to be)\b/i

/**
 * The claims in a text that what is counted speaks against.
 * @example
 * contradictedClaims('She hands her work in on time.', { counts: { late: 2, missing: 0, attendance: null } })
 * // [{ start: 4, end: 29, why: '2 pieces of work came late' }]
 */
export function contradictedClaims(text: string, facts: Recorded): Contradicted[] {
  return conditions.flatMap(({ claim, against }) => {
    const why = against(facts)
    if (why === null) return []
    return [...text.matchAll(claim)].flatMap((match) =>
      softened.test(clauseAround(text, match.index).replace(match[0], ''))
        ? []
        : [{ start: match.index, end: match.index + match[0].length, why }],
    )
  })
}

/** Whether what a phrase says is spoken against by what is counted of a child. */
export function isSpokenAgainst(plain: string, facts: Recorded): boolean {
  return makesClaims(plain) && contradictedClaims(plain, facts).length > 0
}

const claimed = new Map<string, boolean>()

/** Most phrases claim nothing that can be counted, and each is asked about for every child. */
function makesClaims(plain: string): boolean {
  const known = claimed.get(plain)
  if (known !== undefined) return known
  const made = conditions.some(({ claim }) => plain.search(claim) >= 0)
  claimed.set(plain, made)
  return made
}

function clauseAround(text: string, at: number): string {
  const from = Math.max(...['.', '!', '?', ';', ':'].map((stop) => text.lastIndexOf(stop, at - 1))) + 1
  const [clause = ''] = /^[^.!?;:]*/.exec(text.slice(from)) ?? []
  return clause
}

function lateOrMissing({ late, missing }: NarrativeFacts['counts']): string | null {
  const parts = [
    ...(late > 0 ? [`${late} ${late === 1 ? 'piece' : 'pieces'} of work came late`] : []),
    ...(missing > 0 ? [`${missing} ${missing === 1 ? 'is' : 'are'} missing`] : []),
  ]
  return parts.length === 0 ? null : parts.join(' and ')
}

function daysAway(absences: number): string {
  if (absences === 0) return 'there was no day away'
  return absences === 1 ? 'there was a day away' : `there were ${absences} days away`
}
