import { nameKey } from '../../people/names'
import { keyFor } from '../../school/keyFor'
import { scaleProblems, type Level, type Scale } from '../../scales/scale'
import { tierByPlace, tiers, type Tier } from '../../scales/tier'
import type { ScaleColumn } from './listColumns'
import type { ListRow, ReadList, RefusedRow } from './readList'
import type { RowPlan } from './planRows'

/** A level as a list has it; how far on it is goes by its place where the list does not say. */
interface ListedLevel extends Omit<Level, 'tier'> {
  readonly tier: Tier | null
}

/** A scale of the list, from its first row on. */
interface ListedScale {
  readonly row: number
  readonly of: Pick<Scale, 'key' | 'name' | 'kind'>
  readonly levels: readonly ListedLevel[]
}

/**
 * What a list of levels would make of the scales: rows of one scale stand together in their order, best first, and are
 * the whole scale. A scale is known by its kind and name; where a row of it is refused it stays as it is.
 * @example planScaleList(readList('Scale\tKind\tSymbol\tName\tHow far on\nStars\tskill\t***\tsure\ttop', …), [])
 * // refused: a scale needs two levels at least
 */
export function planScaleList(list: ReadList<ScaleColumn>, scales: readonly Scale[]): RowPlan<Scale> {
  const refused: RefusedRow[] = []
  const lacking = new Set<string>()
  const found = new Map<string, ListedScale>()
  for (const row of list.rows) {
    const read = readLevel(row, scales)
    if (typeof read === 'string') {
      refused.push({ row: row.row, reason: read })
      lacking.add(nameKey(row.cell('scale')))
      continue
    }
    const { name, kind, level } = read
    const place = scaleKey({ name, kind })
    const here = found.get(place)
    const was = scales.find((scale) => scaleKey(scale) === place)
    const made = [...scales, ...[...found.values()].map(({ of }) => of)].map(({ key }) => key)
    const of = here?.of ?? { key: was?.key ?? keyFor(name, made), name: was?.name ?? name, kind }
    found.set(place, { row: here?.row ?? row.row, of, levels: [...(here?.levels ?? []), level] })
  }
  const added: Scale[] = []
  const changed: { was: Scale; row: Scale }[] = []
  let unchanged = 0
  for (const { row, of, levels } of found.values()) {
    const scale = { ...of, levels: levels.map((level, at) => withTier(level, at, levels.length)) }
    const problem = lacking.has(nameKey(of.name))
      ? `A row of scale “${of.name}” is refused, so none of it is taken in.`
      : scaleProblems(scale)[0]
    const was = scales.find(({ key }) => key === scale.key)
    if (problem !== undefined) refused.push({ row, reason: problem })
    else if (!was) added.push(scale)
    else if (JSON.stringify(was.levels) === JSON.stringify(scale.levels)) unchanged += 1
    else changed.push({ was, row: scale })
  }
  return { added, changed, unchanged, refused: refused.toSorted((a, b) => a.row - b.row) }
}

function withTier(level: ListedLevel, at: number, levels: number): Level {
  return { ...level, tier: level.tier ?? tierByPlace(at, levels) }
}

/** A row as a level of a scale, or what is wrong with it. */
function readLevel(
  row: ListRow<ScaleColumn>,
  scales: readonly Scale[],
): { name: string; kind: Scale['kind']; level: ListedLevel } | string {
  const name = row.cell('scale')
  if (name === '') return 'This row does not say of which scale it is.'
  const symbol = row.cell('symbol')
  if (symbol === '') return 'There is no symbol in this row.'
  const written = row.cell('kind').toLowerCase().replace(/s$/, '')
  const kinds = ['mark', 'skill', 'habit'] as const
  const known = scales.filter((scale) => nameKey(scale.name) === nameKey(name))
  const kind = kinds.find((each) => each === written) ?? (written === '' ? known[0]?.kind : undefined)
  if (!kind && written === '') return 'Say in a column “For” what the scale is for: marks, skills or habits.'
  if (!kind) return `“${row.cell('kind')}” is none of: marks, skills, habits.`
  const was = known.find((scale) => scale.kind === kind)?.levels.find((level) => level.symbol === symbol)
  const howFar = row.cell('tier')
  const tier = tiers.find((each) => each === howFar.toLowerCase()) ?? was?.tier ?? null
  if (howFar !== '' && !tiers.some((each) => each === howFar.toLowerCase()))
    return `“${howFar}” does not say how far on this level is: ${tiers.toReversed().join(', ')}, or leave it empty.`
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
