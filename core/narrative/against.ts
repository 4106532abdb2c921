import { memoizeWords } from '../memoize'
import { anyOf, pattern } from '../text/pattern'
import type { NarrativeFacts } from './because'
import { clausesOf } from './clauses'

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

const raw = String.raw

/** Any of several turns of phrase. */
function either(...turns: readonly string[]): RegExp {
  return pattern(turns.join('|'))
}

const whose = anyOf('his her their the zir xyr our')

/** The one table of claims that can be held against what is counted: used to choose phrases and to check a text. */
const conditions: readonly Condition[] = [
  {
    claim: either(
      raw`\b(?:hands?|handed|gives?|gave|turns?) (?:\p{L}+[’'-]?\p{L}* ){0,5}?in (?:\p{L}+ ){0,2}?on time\b`,
      raw`\bon time with\b`,
      raw`\b${anyOf('is was are were been comes? came')} never late\b`,
      raw`\bnever (?:been )?late with\b`,
      raw`\bnothing (?:is|was) (?:ever )?(?:late|missing)\b`,
      raw`\b(?:meets?|met|keeps? to) (?:every|each|all) (?:deadline|due)`,
      raw`\bnever (?:misses|missed) (?:a|one) deadline\b`,
      raw`\b(?:hands?|handed|given|turned) in (?:every|each|all)\b(?: \p{L}+){0,4}`,
      raw`\ball (?:of )?${whose} ${anyOf('work homework tasks reports pieces')}(?: \p{L}+){0,2} `.concat(
        raw`${anyOf('comes? came is are was were')} (?:handed )?in\b`,
      ),
      raw`\bevery (?:piece of work|task|assignment|report)\b(?: \p{L}+){0,3} (?:in|done|finished|complete)\b`,
      raw`\bno work (?:is|was) missing\b`,
    ),
    against: ({ counts }) => lateOrMissing(counts),
  },
  {
    claim: either(
      raw`\b(?:perfect|full|excellent) attendance\b`,
      raw`\b(?:has|have) ?(?:not|n[’']t|never) missed (?:a|one|any)(?: single)? (?:day|lesson|class)s?\b`,
      raw`\bnever missed (?:a|one|any)(?: single)? (?:day|lesson)\b`,
      raw`\b(?:here|present|at school|in school) (?:on )?every (?:single )?day\b`,
      raw`\b(?:every (?:single )?|all (?:of )?(?:our|the) )lessons?\b`,
    ),
    against: ({ counts: { attendance } }) =>
      attendance && attendance.absences > 0 ? daysAway(attendance.absences) : null,
  },
  {
    claim: either(
      raw`\b(?:absent|away|missed school|off school) `.concat(
        raw`${anyOf('a_lot often too_often very_often for_long too_much so_often for_much')}\b`,
      ),
      raw`\boften (?:absent|away)\b`,
      raw`\bmany (?:absences|days away|missed days)\b`,
      raw`\bmissed (?:a lot|many|much|so many|too many)\b`,
    ),
    against: ({ counts: { attendance } }) =>
      attendance && attendance.absences < attendance.daysOpen * muchAway ? daysAway(attendance.absences) : null,
  },
  {
    claim: either(raw`\b(?:has|have|is|are) (?:settled|found (?:a|his|her|their) (?:good )?place|been part of)\b`),
    against: ({ counts: { attendance } }) =>
      attendance && attendance.absences > attendance.daysOpen / 2 ? daysAway(attendance.absences) : null,
  },
]

/** From this share of the days on, somebody was away much; ours. */
const muchAway = 0.06

/** What makes a wish, a plan or a habit with exceptions of what would be a claim; ours. */
const softened = new RegExp(
  raw`\b${anyOf(`next could should would might may goal aim hope wish learns? learning working_on try tries trying more_often
    sometimes often mostly usually nearly almost seldom not_always last_term until to_be`)}\b`,
  'i',
)

/**
 * The claims in a text that what is counted speaks against.
 * @example
 * contradictedClaims('She hands her work in on time.', { counts: { late: 2, missing: 0, attendance: null } })
 * // [{ start: 4, end: 29, why: '2 pieces of work came late' }]
 */
export function contradictedClaims(text: string, facts: Recorded): Contradicted[] {
  const spoken = conditions.flatMap(({ claim, against }) => {
    const why = against(facts)
    return why === null ? [] : [{ claim, why }]
  })
  if (spoken.length === 0) return []
  return clausesOf(text).flatMap((clause) =>
    spoken.flatMap(({ claim, why }) =>
      [...clause.text.matchAll(claim)]
        .filter((match) => !softened.test(clause.text.replace(match[0], '')))
        .map((match) => {
          const start = clause.start + match.index
          return { start, end: start + match[0].length, why }
        }),
    ),
  )
}

/** Whether what a phrase says is spoken against by what is counted of a child. */
export function isSpokenAgainst(plain: string, facts: Recorded): boolean {
  return makesClaims(plain) && contradictedClaims(plain, facts).length > 0
}

/** More than the phrases of two schools in all their wordings. */
const mostClaims = 20_000

/** Most phrases claim nothing that can be counted, and each is asked about for every child. */
const makesClaims = memoizeWords(mostClaims, (plain) => conditions.some(({ claim }) => plain.search(claim) >= 0))

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
