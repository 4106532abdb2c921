import type { SignMeaning } from './gradebookMapping'
import { readScore } from './readScore'
import type { TableRow } from '../files/readTable'

/**
 * What a note in the file says of results with a star: "* handed in late"; null where none says it.
 * @example meaningOfStar(rows with a cell '* handed in late') // 'late'
 */
export function meaningOfStar(rows: readonly TableRow[]): SignMeaning | null {
  const notes = rows.flatMap(({ cells }) => /^\*+\s*[:=–-]?\s*(\p{L}.*)$/u.exec(cells[0] ?? '')?.[1] ?? [])
  return notes.map(meaningIn).find((meaning) => meaning !== null) ?? null
}

/**
 * The signs that a key in the file explains, in small letters: "ND = not done", below the children or beside them.
 * @example signLegend(rows with a cell 'AB = absent that day') // { ab: 'nothing' }
 */
export function signLegend(rows: readonly TableRow[]): Record<string, SignMeaning> {
  const keys = rows.flatMap(({ cells }) => cells.filter((cell) => cell.includes('=')))
  const pairs = keys.flatMap((cell) => cell.split(/[;,]\s+(?=\S{1,4}\s*=)/))
  const told = pairs.flatMap((pair) => {
    const [, sign, words = ''] = /^([^\s\d=*]{1,4})\s*=\s*(\p{L}.*)$/u.exec(pair) ?? []
    const meaning = meaningIn(words)
    return sign === undefined || meaning === null ? [] : [[sign.toLocaleLowerCase('en'), meaning] as const]
  })
  return Object.fromEntries(told)
}

/** What explains a sign is short. */
const longest = 80

const away = /\b(absent|away|ill|sick|abwesend|krank|malade|enferm[oa]|ziek|sjuk|syg|syk|assente|ausente)\b/

function meaningIn(words: string): SignMeaning | null {
  if (words.length > longest) return null
  const states = [words, ...words.split(/\s+/).filter(({ length }) => length > 2)].map((each) => readScore(each, null))
  const found = states.find((read) => read.kind === 'result' && read.state !== 'scored')
  if (found?.kind === 'result' && found.state !== 'scored') return found.state
  return away.test(words.toLocaleLowerCase('en')) ? 'nothing' : null
}
