/**
 * Whether a text is a language tag of BCP 47, with a language of ISO 639: "en", "pt-BR", "zh-Hant". What is well formed
 * and known by name in Unicode's CLDR counts; a made-up code does not.
 * @example isLanguageTag('zz') // false: nobody speaks it
 */
export function isLanguageTag(tag: string): boolean {
  try {
    const language = new Intl.Locale(tag).language
    return new Intl.DisplayNames('en', { type: 'language', fallback: 'none' }).of(language) !== undefined
  } catch {
    return false
  }
}
