import { stemmer } from 'stemmer'
import { memoizeWords } from '../memoize'

/** Stemming is asked for the same few thousand words again and again. */
const mostWords = 50_000

/**
 * What relatives have in common: "excel", "excellent", "excellently" and "excellence" are one family, as are "steady"
 * and "steadily". By Porter's stemming algorithm (M. F. Porter, 1980; the npm package "stemmer"), after -ly is taken
 * off.
 *
 * @example ['measures', 'measuring', 'measured'].map(familyOf) // 'measur' each time
 */
export const familyOf = memoizeWords(mostWords, (word): string => {
  const bare = word
    .toLocaleLowerCase('en')
    .replace(/[’']s$/, '')
    .replace(/([ai]b|imp|amp)ly$/, '$1le')
    .replace(/(?<=\p{L}{4})ly$/u, '')
  return stemmer(bare)
})

/**
 * The words of a text in which something is said, in order: all but those that only hold a sentence together.
 * @example contentWords('She reads with great care.') // the words that carry meaning, without "she" and "with"
 */
export function contentWords(text: string): string[] {
  return (text.match(/\p{L}[\p{L}\p{M}’'-]*/gu) ?? []).filter(
    (word) => word.length > 2 && !holdTogether.has(word.toLocaleLowerCase('en').replace('’', "'")),
  )
}

/** Words that hold a sentence together: articles, pronouns, prepositions, conjunctions, auxiliaries, common adverbs. */
const holdTogether = new Set(
  `a an the this that these those some any each every all both half most more less least much many few
several other another such own same one two three she her hers herself he him his himself they them their theirs themself themselves it its itself we us our ours you your i me my
who whom whose which what when where why how whether if then than as so too also not no nor but and or yet for of in on at
to from by with without within into onto out off over under up down about across after against along around before behind between
beyond during near since through toward towards until upon while because although though is are was were be been being am has have
had having do does did done doing can could may might must shall should will would cannot let lets very well often always usually
sometimes never now still already just only even once again here there when ever soon almost quite rather really`.split(
    /\s+/,
  ),
)
