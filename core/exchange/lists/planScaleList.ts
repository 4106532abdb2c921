import { nameKey } from '../../people/names'
import { keyFor } from '../../school/keyFor'
import { scaleProblems, type Level, type Scale } from '../../scales/scale'
import { tiers } from '../../scales/tier'
import type { ScaleColumn } from './listColumns'
import type { ListRow, ReadList, RefusedRow } from './readList'
import type { RowPlan } from './planRows'

/**
 * What a list of levels would make of the scales: rows of one scale stand together in their order, best first, and are
 * the whole scale. A scale is known by its kind and name.
 * @example planScaleList(readList('Scale\tKind\tSymbol\tName\tHow far on\nStars\tskill\t***\tsure\ttop', …), [])
 * // refused: a scale needs two levels at least
 */
export function planScaleList(list: ReadList<ScaleColumn>, scales: readonly Scale[]): RowPlan<Scale> {
  const refused: RefusedRow[] = []
  const found = new Map<string, { row: number; scale: Scale }>()
  for (const row of list.rows) {
    const read = readLevel(row, scales)
    if (typeof read === 'string') {
      refused.push({ row: row.row, reason: read })
      continue
    }
    const { name, kind, level } = read
    const place = scaleKey({ name, kind })
    const here = found.get(place)
    const was = scales.find((scale) => scaleKey(scale) === place)
    const made = [...scales, ...[...found.values()].map(({ scale }) => scale)].map(({ key }) => key)
    const scale = here?.scale ?? { key: was?.key ?? keyFor(name, made), name: was?.name ?? name, kind, levels: [] }
    found.set(place, { row: here?.row ?? row.row, scale: { ...scale, levels: [...scale.levels, level] } })
  }
  const added: Scale[] = []
  const changed: { was: Scale; row: Scale }[] = []
  let unchanged = 0
  for (const { row, scale } of found.values()) {
    const [problem] = scaleProblems(scale)
    const was = scales.find(({ key }) => key === scale.key)
    if (problem !== undefined) refused.push({ row, reason: problem })
    else if (!was) added.push(scale)
    else if (JSON.stringify(was.levels) === JSON.stringify(scale.levels)) unchanged += 1
    else changed.push({ was, row: scale })
  }
  return { added, changed, unchanged, refused: refused.toSorted((a, b) => a.row - b.row) }
}

/** A row as a level of a scale, or what is wrong with it. */
function readLevel(
  row: ListRow<ScaleColumn>,
  scales: readonly Scale[],
): { name: string; kind: Scale['kind']; level: Level } | string {
  const name = row.cell('scale')
  if (name === '') return 'This row does not say of which scale it is.'
  const symbol = row.cell('symbol')
  if (symbol === '') return 'There is no symbol in this row.'
  const written = row.cell('kind').toLowerCase().replace(/s$/, '')
  const kinds = ['mark', 'skill', 'habit'] as const
  const known = scales.filter((scale) => nameKey(scale.name) === nameKey(name))
  const kind = kinds.find((each) => each === written) ?? (written === '' ? known[0]?.kind : undefined)
  if (!kind) return `“${row.cell('kind')}” is none of: marks, skills, habits.`
  const was = known.find((scale) => scale.kind === kind)?.levels.find((level) => level.symbol === symbol)
  const tier =
    tiers.find((each) => each === row.cell('tier').toLowerCase()) ?? (row.cell('tier') === '' ? was?.tier : null)
  if (!tier) return `How far on a level is, is one of: ${tiers.toReversed().join(', ')}.`
  const percent = row.cell('lowestPercent').replace(/\s*%$/, '').replace(',', '.')
  const lowest = percent === '' ? (was?.lowestPercent ?? null) : Number(percent)
  if (Number.isNaN(lowest)) return `“${row.cell('lowestPercent')}” is no percentage.`
  const level = {
    symbol,
    name: row.cell('name') || (was?.name ?? symbol),
    familySentence: row.cell('familySentence') || (was?.familySentence ?? ''),
    tier,
    lowestPercent: kind === 'mark' ? lowest : null,
  }
  return { name, kind, level }
}

function scaleKey({ kind, name }: Pick<Scale, 'kind' | 'name'>): string {
  return `${kind}\u0000${nameKey(name)}`
}
