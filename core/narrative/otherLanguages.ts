/** Words of neighbouring languages that English does not have; from memory. */
const foreign =
  /(?<![\p{L}’'])(und|nicht|sehr|mit|eine[nmr]?|ist|auf|für|beim|est|et|les|des|avec|très|pour|dans|une|el|los|las|con|muy|una|del|por|che|della|nel|een|het|niet|naar|não|muito|uma|com|ve|bir|çok|jest|nie|się)(?!\p{L})/u

/**
 * Whether a sentence may be in another language than English: a word of it says so.
 * @example mayBeForeign('Was sehr ruhig.') // true; of 'Made a hat that they’ve kept.' false
 */
export function mayBeForeign(text: string): boolean {
  return foreign.test(text)
}
