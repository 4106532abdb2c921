// Private matters that no single word gives away, and words that only seem to; ours.

/** Turns of phrase that touch on what is not for a report, each with what it is about. */
export const indirect: readonly { about: string; said: RegExp }[] = [
  {
    about: 'health',
    said: /\b(?:seeing|sees|saw) (?:someone|somebody|a (?:specialist|professional|counsellor|psychologist|doctor|therapist))\b/gi,
  },
  {
    about: 'health',
    said: /\b(?:his|her|their|zir|xyr|new|the) (?:tablets|pills|dose|treatment|condition|specialist|diagnosis)\b/gi,
  },
  {
    about: 'health',
    said: /\b(?:panic attacks?|mental health|eating disorder|self-harm|wets? (?:him|her|them)sel(?:f|ves)|toilet accidents?|overweight|underweight|hyperactive)\b/gi,
  },
  { about: 'a diagnosis', said: /\bon the (?:autis\p{L}+ )?spectrum\b/giu },
  { about: 'a diagnosis', said: /\b(?:being|is|was|to be|been) (?:assessed|tested|screened|evaluated) for\b/gi },
  {
    about: 'a diagnosis',
    said: /\b(?:traits|signs|symptoms) of (?!(?:progress|growth|improvement|life|spring))\p{L}+/giu,
  },
  {
    about: 'the family',
    said: /\bsince (?:the|his|her|their|zir) (?:separation|split|divorce|accident|move out|loss|death|funeral)\b/gi,
  },
  {
    about: 'the family',
    said: /\b(?:two|both) homes\b|\bbetween (?:two )?(?:homes|households|parents)\b|\bwhen (?:with|at) (?:his|her|their) (?:father|mother|dad|mum)[’']?s?\b/gi,
  },
  {
    about: 'the family',
    said: /\blost (?:his|her|their|zir|a) (?:\p{L}+ )?(?:father|mother|dad|mum|grandfather|grandmother|grandad|gran|nan|brother|sister|uncle|aunt|parent|baby)\b/giu,
  },
  {
    about: 'the family',
    said: /\b(?:the (?:death|loss|passing) of|died|parents (?:are|have) (?:separated|split|divorc\p{L}+)|new baby|stepdad|stepmum|foster (?:home|care|family|parents?|mother|father|carers?)|in care\b(?! of))/giu,
  },
  {
    about: 'the family',
    said: /\b(?:situation|trouble|troubles|problems|difficulties|things|circumstances|upset|worries) at home\b|\bhome (?:situation|circumstances|troubles|problems)\b/gi,
  },
  {
    about: 'the family',
    said: /\b(?:parents?|mother|father|family|mum|dad) (?:do(?:es)?n[’']?t|do(?:es)? not|cannot|can[’']t|hardly) (?:speak|read|understand|help)\b/gi,
  },
  {
    about: 'money or status',
    said: /\bfree (?:school )?(?:lunch|lunches|meals?|dinners?)\b|\b(?:new|proper|warm) (?:shoes|coat)\b(?=.*\b(?:afford|needs?)\b)|\bcould not (?:pay|afford)\b|\b(?:lost|without) (?:his|her|their) (?:job|flat|home)\b/gi,
  },
  {
    about: 'belief',
    said: /\b(?:fasting|ramadan|church|mosque|synagogue|temple|baptism|first communion|prayers?|faith|muslim|christian|jewish|hindu|sikh)\b/gi,
  },
]

/** Where a word of the school's list means something that belongs in school: what stands before or after it. */
const meantOtherwise: Readonly<Record<string, { before?: RegExp; after?: RegExp }>> = {
  adopted: {
    after:
      /^\s+(?:a|an|the|this|that|some|new|better|more|its|our|his|her|their|\p{L}+ (?:way|method|strategy|habit|plan|tone|role|approach))\b(?! (?:child|boy|girl|daughter|son|brother|sister))/iu,
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
