/**
 * A text with every letter by its plain one, one kind of apostrophe and one of hyphen, and every place as it was: what
 * names are compared by, since "Zoe" and "D'Arcy" are typed for Zoë and D’Arcy.
 * @example foldedText('Zoë and D’Arcy') // "Zoe and D'Arcy"
 */
export function foldedText(text: string): string {
  return text
    .normalize('NFC')
    .replace(/[\u00C0-\u024F]/g, (letter) => letter.normalize('NFD').slice(0, 1))
    .replace(/[’‘`´]/g, "'")
    .replace(/[‐‑]/g, '-')
}
