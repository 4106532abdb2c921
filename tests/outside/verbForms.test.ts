import nlp from 'compromise'
import irregular from 'english-verbs-irregular/dist/verbs.json'
import doubled from 'english-verbs-irregular/resources/consonantDoubled.json'
import { describe, expect, it } from 'vitest'
import { irregularPast, pluralVerbs } from '../../core/narrative/frame/verbWords'
import { baseOfGerund, baseOfSingular, gerund, singularVerb } from '../../core/narrative/verbForms'

// Held against compromise (npm, 14.17), which conjugates English by rules and lists of its own.
interface Conjugated {
  Infinitive: string
  PresentTense: string
  Gerund: string
}
const conjugated = (verb: string): Conjugated | undefined =>
  (nlp(`they ${verb}`).verbs().conjugate() as Conjugated[])[0] as Conjugated | undefined

/** Verbs that skills begin with and that are not in our list: written by hand, before the rules were. */
const schoolVerbs =
  `acquire adapt adjust alternate annotate approximate assemble assess balance batten bounce calibrate capture
  categorise cite clarify classify colour compose compute consolidate converse cooperate critique cycle debate
  decode deduce define devise distinguish dribble echo employ enlarge exchange exercise expand exploit extract
  factor frame gauge hop hum illuminate imitate improvise indicate interact interpolate justify juggle kick
  knit layer locate map memorise mime mould multiply narrate negotiate notate order outline partition pedal
  perceive phrase pitch plot polish position pose press print propel quote rank reduce refine rehearse
  reproduce rewrite rhyme rotate scale scan sew simplify sketch skim skip slide solder splash stretch strum
  subdivide substitute summarise swap symbolise tabulate tally tap throw transcribe translate transpose trim
  tune twist verify weave weigh whistle wrap zoom`.split(/\s+/)

const verbs = [...pluralVerbs.keys(), ...schoolVerbs].filter((verb) => !/n't|^(are|were|have|do)$/.test(verb))

describe('the forms of verbs', () => {
  it('are those of compromise, but where English has two spellings or it takes the verb for something else', () => {
    const known = verbs.flatMap((verb) => {
      const theirs = conjugated(verb)
      return theirs?.Infinitive === verb ? [{ verb, theirs }] : []
    })
    expect(known.length).toBeGreaterThan(350)
    const differ = known.flatMap(({ verb, theirs }) => {
      const ours = [singularVerb(verb), gerund(verb)]
      return ours[0] === theirs.PresentTense && ours[1] === theirs.Gerund
        ? []
        : [`${verb}: ${ours.join(', ')} / ${theirs.PresentTense}, ${theirs.Gerund}`]
    })
    expect(new Set(differ)).toEqual(
      new Set([
        'model: models, modelling / models, modeling',
        // What ends as these do it takes for what they come from.
        'fulfil: fulfils, fulfilling / fulfils, fulfil',
        'jot: jots, jotting / jots, jot',
        'grin: grins, grinning / grins, grin',
        'murmur: murmurs, murmuring / murmurs, murmur',
        'panic: panics, panicking / panics, panic',
        'pat: pats, patting / pats, pat',
        'quarrel: quarrels, quarrelling / quarrels, quarrel',
        // The spelling of another country, and a slip of its own ("snaping").
        'signal: signals, signalling / signals, signaling',
        'snap: snaps, snapping / snaps, snaping',
      ]),
    )
  })

  // The lists of english-verbs-irregular (npm, 3.4): 569 irregular verbs, and those that double their last letter.
  const pasts: Readonly<Record<string, readonly (readonly string[])[]>> = irregular
  it('in the past are those of a published list, all of them', () => {
    const theirs = new Set(Object.values(pasts).flatMap((forms) => forms.map(([past]) => past)))
    expect([...irregularPast].filter((past) => !theirs.has(past))).toEqual([])
    const lacking = Object.entries(pasts).filter(
      ([verb, forms]) =>
        pluralVerbs.has(verb) && forms.every(([past = '']) => !irregularPast.has(past) && !/ed$/.test(past)),
    )
    // "Let her sit in front" is advice as often as it tells what somebody did.
    expect(lacking.map(([verb]) => verb)).toEqual(['let'])
  })

  it('double their last letter where a published list does, but where English has two spellings', () => {
    expect(doubled.length).toBeGreaterThan(100)
    expect(doubled.filter((verb) => gerund(verb) !== `${verb}${verb.at(-1)}ing`)).toEqual([
      'benefit',
      // A slip of the list: "boycott" has two already.
      'boycot',
      'combat',
      'duet',
      'telegram',
    ])
  })

  it('lead back to the verb', () => {
    const lost = verbs.filter(
      (verb) => baseOfGerund(gerund(verb)) !== verb || baseOfSingular(singularVerb(verb)) !== verb,
    )
    expect(lost).toEqual([])
  })
})
