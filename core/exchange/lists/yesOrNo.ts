/**
 * A yes or a no as people write it in a table; null for neither.
 * @example yesOrNo('x') // true
 */
export function yesOrNo(written: string): boolean | null {
  if (/^(yes|y|true|1|x|ja|oui|si|sí)$/i.test(written)) return true
  return /^(no|n|false|0|nein|non|nee|nej)$/i.test(written) ? false : null
}
