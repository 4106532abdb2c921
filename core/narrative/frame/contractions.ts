/** A pronoun with a short verb after it: "she's", "they'd". "It's" and "I'm" are nobody's pronoun and stay. */
export const contraction = /(?<![\p{L}\p{M}’'-])(she|he|they|xe|ze)[’'](s|d|ll|ve|re)(?![\p{L}\p{M}])/giu

const participle =
  /^(\p{L}+ed|been|become|begun|brought|built|caught|chosen|come|done|drawn|found|given|gone|got|grown|had|heard|held|kept|known|learnt|led|left|lost|made|met|put|read|run|said|seen|set|shown|sung|taken|taught|thought|told|understood|won|written|\p{L}+n['’]t)$/u

/**
 * Written out, so that the verb can follow other pronouns: "she's a keen reader" becomes "she is a keen reader", "she's
 * drawn" becomes "she has drawn". The last word of a text is left, as more of it may be on its way.
 *
 * @example writeOutContractions('She’s reading.') // 'She is reading.'
 */
export function writeOutContractions(text: string): string {
  return text.replace(contraction, (whole, pronoun: string, short: string, at: number) => {
    const [next] = /\p{L}[\p{L}\p{M}’'-]*(?=[^\p{L}])/u.exec(afterAdverbs(text.slice(at + whole.length))) ?? []
    if (next === undefined) return whole
    return `${pronoun} ${fullVerb(short.toLocaleLowerCase('en'), participle.test(next))}`
  })
}

function afterAdverbs(text: string): string {
  return text.replace(
    /^(?:\s+(?:also|always|already|never|not|now|often|only|just|still|soon|really|since)(?=\s))*\s*/iu,
    '',
  )
}

function fullVerb(short: string, beforeParticiple: boolean): string {
  switch (short) {
    case 's':
      return beforeParticiple ? 'has' : 'is'
    case 'd':
      return beforeParticiple ? 'had' : 'would'
    case 'll':
      return 'will'
    case 've':
      return 'have'
    default:
      return 'are'
  }
}
