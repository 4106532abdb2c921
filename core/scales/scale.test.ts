import { describe, expect, it } from 'vitest'
import { findLevel, levelForPercent, scaleProblems, strokesOf, type Scale } from './scale'
import { readSpecial } from './special'
import { keptSymbol, readSymbol, type SymbolMeaning } from './symbol'
import { directionOf, tierByPlace, tiers } from './tier'

const tiersOfScale = (levels: number) => Array.from({ length: levels }, (_, place) => tierByPlace(place, levels))
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

describe('what is wrong with a scale', () => {
  const problems = (change: Partial<Scale>): string[] => scaleProblems({ ...marks, ...change })
  it.each<[string, Partial<Scale>, string[]]>([
    ['nothing', {}, []],
    ['no levels', { levels: [] }, ['Scale “Marks” needs two levels at least.']],
    [
      'no symbol',
      { levels: [level('', 80, 'top'), level('B', 0, 'sound')] },
      ['Scale “Marks” has a level without a symbol.'],
    ],
    [
      'one symbol twice, in whatever case',
      { levels: [level('a', 80, 'top'), level('A', 0, 'sound')] },
      ['Scale “Marks” has two levels with the symbol “A”.'],
    ],
    [
      'a better level that is less far on',
      { levels: [level('A', 80, 'sound'), level('B', 0, 'strong')] },
      ['Scale “Marks”: “A” stands above “B”, but is less far on (sound and strong).'],
    ],
    ['two levels of one tier', { levels: [level('A', 80, 'top'), level('B', 0, 'top')] }, []],
    [
      'a better level from the same mark',
      { levels: [level('A', 50, 'top'), level('B', 50, 'sound')] },
      ['Scale “Marks”: “A” from 50 % is not above “B” from 50 %.'],
    ],
    [
      'a mark level that begins nowhere',
      { levels: [level('A', null, 'top'), level('B', -1, 'sound')] },
      ['Scale “Marks” is for marks, so “A” needs the lowest percentage that reaches it.'],
    ],
    [
      'a skill level that begins nowhere',
      { kind: 'skill', levels: [level('A', 5, 'top'), level('B', null, 'sound')] },
      [],
    ],
  ])('%s', (_name, change, expected) => {
    expect(problems(change)).toEqual(expected)
  })
  it('a symbol that is not on the scale has no strokes, and a level without a cut-off is reached by no mark', () => {
    expect(strokesOf(marks, 'Q')).toEqual({ filled: 0, of: 5 })
    expect(levelForPercent({ ...marks, levels: [level('A', null, 'top'), level('B', 10, 'sound')] }, 50)?.symbol).toBe(
      'B',
    )
  })
  it('reads special values by their name or symbol, and keeps them by their symbol', () => {
    expect([readSpecial(' NA '), readSpecial('not assessed'), readSpecial('n')]).toEqual([
      'not assessed',
      'not assessed',
      undefined,
    ])
    expect([' b ', 'Not assessed'].map((typed) => keptSymbol(readSymbol(marks, typed) as SymbolMeaning))).toEqual([
      'B',
      'NA',
    ])
    expect([2, 3, 4, 5, 6].map((of) => tiersOfScale(of).join(' '))).toEqual([
      'top starting',
      'top sound starting',
      'top strong growing starting',
      'top strong sound growing starting',
      'top strong sound sound growing starting',
    ])
    expect(tiers.map(directionOf)).toEqual(['difficulty', 'difficulty', 'strength', 'strength', 'strength'])
  })
})

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
    expect(scaleProblems({ ...marks, levels: [...marks.levels].reverse() }).join()).toMatch(/is not above/)
  })
})
