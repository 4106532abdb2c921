import { pluralVerbs } from './frame/verbWords'

/**
 * The forms of English verbs that sentences need, by the usual rules of spelling (common practice). Checked against
 * another library in tests/outside/verbForms.test.ts.
 */
const irregular: Readonly<Record<string, string>> = { be: 'is', have: 'has', do: 'does', go: 'goes' }

/** Verbs of more than one syllable that are stressed on the last, and so double their consonant; from memory. */
const stressedLast = new Set(
  `begin forget prefer refer infer confer transfer admit commit permit submit omit regret occur recur incur control
  propel compel rebel equip unplug format upset outwit abet abut allot emit input kidnap leapfrog rebut remit
  transmit zigzag`.split(/\s+/),
)

/** In the spelling of the neighbours of the school, an l is doubled whatever the stress; from memory. */
const doublesL = /(?:^|[^aeiou])[aeiou]l$/

/** An e that is heard in the g. */
const keepsE = new Set(['singe', 'binge', 'tinge', 'swinge'])

/** The form after "she". @example singularVerb('try') // 'tries' */
export function singularVerb(base: string): string {
  const known = irregular[base] ?? pluralVerbs.get(base)
  if (known !== undefined) return known
  if (/[^aeiou]y$/.test(base)) return `${base.slice(0, -1)}ies`
  return /(s|sh|ch|x|z|o)$/.test(base) ? `${base}es` : `${base}s`
}

/** The form in "-ing". @example gerund('plan') // 'planning' */
export function gerund(base: string): string {
  if (/ie$/.test(base)) return `${base.slice(0, -2)}ying`
  // "Mimicking": the c stays hard.
  if (/[aeiou]c$/.test(base)) return `${base}king`
  if (/[^eoy]e$/.test(base) && base !== 'be' && !keepsE.has(base)) return `${base.slice(0, -1)}ing`
  return doubles(base) ? `${base}${base.at(-1)}ing` : `${base}ing`
}

function doubles(base: string): boolean {
  if (stressedLast.has(base)) return true
  const syllables = base.match(/[aeiouy]+/g)?.length ?? 0
  if (/^(qu)?[^aeiou]*[aeiou][^aeiouwxy]$/.test(base) && syllables === 1) return true
  return (
    /^(squ|qu)[aeiou][^aeiouwxy]$/.test(base) || (syllables > 1 && doublesL.test(base) && !/ail|eal|eel$/.test(base))
  )
}

/** How a verb ends that has lost its e before "-ing": "divid", "comput", "calculat". Common spelling. */
const lostE =
  /([cguvz]|[^s]s|[^aeiou]l|[^aeiou](id|in|ir|il|ib)|[^aeo](at|ad|am|ak)|[^o](ut|ur|um)|[^aeo](od|ot)|y[mp]|quir|writ)$/

/**
 * The plain form of a verb in "-ing": a known one where there is one, else the likeliest by its spelling.
 * @example baseOfGerund('dividing') // 'divide'
 */
export function baseOfGerund(form: string): string {
  const stem = form.replace(/ing$/, '')
  const single = stem.replace(/([bdgmnprt])\1$/, '$1').replace(/([aeiou].*[aeiou]l)l$/, '$1')
  const candidates = [single, stem, `${stem}e`, stem.replace(/y$/, 'ie'), stem.replace(/ck$/, 'c')]
  const fitting = candidates.filter((base) => base !== '' && gerund(base) === form)
  const known = fitting.find((base) => pluralVerbs.has(base))
  if (known !== undefined) return known
  return lostE.test(stem) && single === stem ? `${stem}e` : (fitting[0] ?? stem)
}

/** The plain form of what follows "she". @example baseOfSingular('has') // 'have' */
export function baseOfSingular(form: string): string {
  const special = Object.entries(irregular).find(([, singular]) => singular === form)?.[0]
  if (special !== undefined) return special
  const known = [...pluralVerbs].find(([, singular]) => singular === form)?.[0]
  if (known !== undefined) return known
  if (/[^aeiou]ies$/.test(form) && form.length > 4) return `${form.slice(0, -3)}y`
  return /(ch|sh|ss|x|zz|[^aeiou]o)es$/.test(form) ? form.slice(0, -2) : form.replace(/s$/, '')
}
