import { findLevel, type Level, type Scale } from './scale'
import { readSpecial, specialValues, type SpecialValue } from './special'

/** What a symbol stands for on a scale. */
export type SymbolMeaning = { kind: 'level'; level: Level } | { kind: 'special'; special: SpecialValue }

/**
 * The one reading of a symbol, typed, filed or printed: a level of the school's own scale before anything else, so
 * that a level that the school calls "NA" is that level; then a special value.
 *
 * @example readSymbol(scaleWithoutNA, 'na') // { kind: 'special', special: 'not assessed' }
 * @returns undefined when it is neither
 */
export function readSymbol(scale: Scale | undefined, symbol: string): SymbolMeaning | undefined {
  const level = scale && findLevel(scale, symbol)
  if (level) return { kind: 'level', level }
  const special = readSpecial(symbol)
  return special && { kind: 'special', special }
}

/** Special values are longer than a key: their first letter stands for them where no level has it. */
const specialKeys: Readonly<Record<string, string>> = { n: 'NA', a: 'ABS', i: 'INC' }

/**
 * What a single key means in a cell of levels.
 * @example readTyped(scale, 'n') // not assessed, unless the school has a level "N"
 */
export function readTyped(scale: Scale | undefined, key: string): SymbolMeaning | undefined {
  return readSymbol(scale, key) ?? readSymbol(scale, specialKeys[key.toLowerCase()] ?? key)
}

/**
 * The symbol as it is kept: the level's own, or the special value's sign.
 * @example keptSymbol(readSymbol(scale, 'na')) // 'NA', or the school's own level of that symbol
 */
export function keptSymbol(meaning: SymbolMeaning): string {
  return meaning.kind === 'level' ? meaning.level.symbol : specialValues[meaning.special]
}
