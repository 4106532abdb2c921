import { describe, expect, it } from 'vitest'
import { findLevel, levelForPercent, scaleProblems, strokesOf, type Scale } from './scale'

const level = (symbol: string, lowestPercent: number | null, tier: Scale['levels'][number]['tier']) => ({
  symbol,
  name: symbol,
  familySentence: '',
  tier,
  lowestPercent,
})
// The cut-offs 80, 60, 40, 20 are common practice.
const marks: Scale = {
  key: 'marks',
  name: 'Marks',
  kind: 'mark',
  levels: [
    level('A', 80, 'top'),
    level('B', 60, 'strong'),
    level('C', 40, 'sound'),
    level('D', 20, 'growing'),
    level('E', 0, 'starting'),
  ],
}

describe('a scale', () => {
  it.each([
    [100, 'A'],
    [80, 'A'],
    [79.999, 'B'],
    [60, 'B'],
    [40, 'C'],
    [20, 'D'],
    [19.9, 'E'],
    [0, 'E'],
  ])('%d %% is %s', (percent, symbol) => {
    expect(levelForPercent(marks, percent)?.symbol).toBe(symbol)
  })
  it('finds levels in any case and draws them in strokes', () => {
    expect(findLevel(marks, ' b ')?.symbol).toBe('B')
    expect(strokesOf(marks, 'A')).toEqual({ filled: 5, of: 5 })
    expect(strokesOf(marks, 'E')).toEqual({ filled: 1, of: 5 })
  })
  it('tells what is wrong with it', () => {
    expect(scaleProblems(marks)).toEqual([])
    expect(scaleProblems({ ...marks, levels: [...marks.levels, level('a', 0, 'starting')] }).join()).toMatch(
      /two levels with the symbol/,
    )
    expect(scaleProblems({ ...marks, levels: [...marks.levels].reverse() }).join()).toMatch(/cut-off/)
  })
})
