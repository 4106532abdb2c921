import { anyOf, pattern } from '../text/pattern'

// Private matters that no single word gives away, and words that only seem to; ours.

const raw = String.raw
const whose = anyOf('his her their zir xyr')
const kin = anyOf(
  `father mother dad mum grandfather grandmother grandad gran nan brother sister uncle aunt parent baby`,
)

/** Turns of phrase that touch on what is not for a report, by what they are about. */
const turns: Readonly<Record<string, readonly string[]>> = {
  'health': [
    raw`(?:seeing|sees|saw) (?:someone|somebody|`.concat(
      raw`a ${anyOf('specialist professional counsellor psychologist doctor therapist')})`,
    ),
    raw`(?:${whose}|new|the) ${anyOf('tablets pills dose treatment condition specialist diagnosis')}`,
    anyOf(
      'panic_attacks? mental_health eating_disorder self-harm toilet_accidents? overweight underweight hyperactive',
    ),
    raw`wets? (?:him|her|them)sel(?:f|ves)`,
  ],
  'a diagnosis': [
    raw`on the (?:autis\p{L}+ )?spectrum`,
    raw`${anyOf('being is was to_be been')} ${anyOf('assessed tested screened evaluated')} for`,
    raw`${anyOf('traits signs symptoms')} of (?!${anyOf('progress growth improvement life spring')})\p{L}+`,
  ],
  'the family': [
    raw`since (?:the|${whose}) ${anyOf('separation split divorce accident move_out loss death funeral')}`,
    raw`(?:two|both) homes`,
    raw`between (?:two )?(?:homes|households|parents)`,
    raw`when (?:with|at) (?:his|her|their) (?:father|mother|dad|mum)[’']?s?`,
    raw`lost (?:${whose}|a) (?:\p{L}+ )?${kin}`,
    raw`the (?:death|loss|passing) of`,
    raw`died`,
    raw`parents (?:are|have) (?:separated|split|divorc\p{L}+)`,
    raw`(?:new baby|stepdad|stepmum|in care)(?! of)`,
    raw`foster ${anyOf('home care family parents? mother father carers?')}`,
    raw`${anyOf('situation trouble troubles problems difficulties things circumstances upset worries')} at home`,
    raw`home ${anyOf('situation circumstances troubles problems')}`,
    raw`(?:parents?|mother|father|family|mum|dad) (?:do(?:es)?n[’']?t|do(?:es)? not|cannot|can[’']t|hardly) `.concat(
      anyOf('speak read understand help'),
    ),
  ],
  'money or status': [
    raw`free (?:school )?(?:lunch|lunches|meals?|dinners?)`,
    raw`could not (?:pay|afford)`,
    raw`(?:lost|without) ${whose} (?:job|flat|home)`,
  ],
  'belief': [
    anyOf(`fasting ramadan church mosque synagogue temple baptism first_communion prayers? faith muslim christian jewish
      hindu sikh`),
  ],
}

/** The same as patterns. */
export const indirect = Object.entries(turns).map(([about, said]) => ({
  about,
  said: pattern(raw`\b(?:`, said.join('|'), raw`)\b`),
}))

/** Where a word of the school's list means something that belongs in school: what stands before or after it. */
const meantOtherwise: Readonly<Record<string, { before?: RegExp; after?: RegExp }>> = {
  adopted: {
    after: new RegExp(
      raw`^\s+(?:${anyOf('a an the this that some new better more its our his her their')}|`.concat(
        raw`\p{L}+ ${anyOf('way method strategy habit plan tone role approach')})\b`,
        raw`(?! ${anyOf('child boy girl daughter son brother sister')})`,
      ),
      'iu',
    ),
  },
  foster: {
    before: /\b(?:to|helps?|will|can|would|and)\s+$/i,
    after: /^\s+(?:a (?:love|sense|spirit|habit)|the|his|her|their|curiosity|friendships?|brothers? of)\b/i,
  },
  operation: {
    before: /\b(?:order of|inverse|number|each|opposite|four|this|that|which|right|correct|the)\s+$/i,
    after: /^s?\s+(?:with|of|in|to use|on fractions)\b/i,
  },
  doctor: { before: /\b(?:play(?:ed|s)?|as|part of|role of|about)\s+(?:the|a)\s+$/i },
  depression: { before: /\b(?:great|tropical|a|the)\s+$/i, after: /^\s+(?:in the (?:ground|land|earth)|over)\b/i },
  police: {
    before: /\b(?:role|about|visit(?:ed)?|the|as|play(?:ed|s)?)\s+(?:of |the |from the )?$/i,
    after: /^\s+(?:visit|officer who visited|play)\b/i,
  },
  prison: { before: /\b(?:story|poem|novel|about|from)\b[^.]*$/i },
  religion: { before: /\b(?:in|of|about|world)\s+$/i },
  religious: { after: /^\s+(?:studies|education)\b/i },
  medicine: { before: /\b(?:history of|about|in)\s+$/i },
}

/** Whether a word from the school's list is meant otherwise here: "adopted a new method", "the order of operations". */
export function isMeantOtherwise(word: string, text: string, { start, end }: { start: number; end: number }): boolean {
  const place = meantOtherwise[word.toLowerCase().replace(/s$/, '')] ?? meantOtherwise[word.toLowerCase()]
  return (
    place !== undefined &&
    ((place.before?.test(text.slice(0, start)) ?? false) || (place.after?.test(text.slice(end)) ?? false))
  )
}
