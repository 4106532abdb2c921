import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { afterVersion, merged, overStanding, parted, type Conflict, type Work } from './work'

type Level = Extract<Work, { kind: 'levels' }>['body']['levels'][number]
const level = (about: string, symbol: string | null, was: string | null): Level => ({
  ...{ studentId: 'maya', kind: 'skill', about, symbol, was },
})
const levels = (...cells: Level[]): Work => ({
  ...{ kind: 'levels', body: { levels: cells }, key: 'levels', path: '/', what: 'Levels' },
})
const cellsOf = (work: Work | null): Level[] => (work?.kind === 'levels' ? work.body.levels : [])
const comment = (text: string, version: number): Work => ({
  ...{ kind: 'comment', key: 'c', path: '/', what: 'Comment' },
  body: { studentId: 'maya', box: 'general', text, sentences: [], ownWords: true, status: 'in draft', version },
})

describe('work that waits', () => {
  it('becomes one: of each cell what was wanted last, over what was seen first', () => {
    const typed = fc.record({ about: fc.constantFrom('a', 'b', 'c'), symbol: fc.constantFrom('1', '2', null) })
    fc.assert(
      fc.property(fc.array(typed, { minLength: 1, maxLength: 12 }), (keys) => {
        // A grid: each keystroke sees what the one before it left.
        const shown = new Map<string, string | null>([
          ['a', '4'],
          ['b', null],
          ['c', '3'],
        ])
        const first = new Map(shown)
        const works = keys.map(({ about, symbol }) => {
          const was = shown.get(about) ?? null
          shown.set(about, symbol)
          return levels(level(about, symbol, was))
        })
        const all = works.reduce((older, newer) => merged(older, newer))
        const touched = [...new Set(keys.map(({ about }) => about))].sort()
        expect(
          cellsOf(all)
            .map(({ about, symbol, was }) => [about, symbol, was])
            .sort(),
        ).toEqual(touched.map((about) => [about, shown.get(about), first.get(about)]))
      }),
    )
  })

  it('a text keeps its last words and the version that was seen first; a note what was seen of it', () => {
    expect(merged(comment('Maya', 3), comment('Maya adds.', 7))).toEqual(comment('Maya adds.', 3))
    const note = (text: string, was: string | null): Work => {
      const kept = (words: string) => ({
        ...{ date: '2026-11-30', kind: null, about: '', symbol: null, text: words, mayTell: false },
      })
      const body = { id: 'n', studentId: 'maya', note: kept(text), was: was === null ? null : kept(was) }
      return { kind: 'note', body, key: 'n', path: '/', what: 'Note' }
    }
    expect(merged(note('a', null), note('b', 'a'))).toEqual(note('b', null))
    expect(merged(comment('a', 1), levels(level('a', '1', null)))).toEqual(levels(level('a', '1', null)))
  })

  it('is parted where some of it met something else: the rest goes out, and nothing is lost or sent twice', () => {
    const cells = ['a', 'b', 'c'].map((about) => level(about, '1', null))
    fc.assert(
      fc.property(fc.subarray([0, 1, 2]), (at) => {
        const conflicts = at.map((nth): Conflict => ({ nth, standing: { symbol: '9' }, version: 0 }))
        const { refused, rest } = parted(levels(...cells), conflicts)
        const wanted = at.length === 0 ? cells : at.map((nth) => cells[nth])
        expect(cellsOf(refused)).toEqual(wanted)
        expect(cellsOf(rest)).toEqual(at.length === 0 ? [] : cells.filter((_, nth) => !at.includes(nth)))
        expect(rest === null).toBe(at.length === 0 || at.length === 3)
      }),
    )
    expect(parted(comment('Maya', 3), [{ nth: 0, standing: null, version: 4 }])).toEqual({
      ...{ refused: comment('Maya', 3), rest: null },
    })
  })

  it('goes out again over what its owner has been shown, each cell over its own', () => {
    const conflicts: Conflict[] = [
      { nth: 0, standing: { symbol: '9' }, version: 0 },
      { nth: 1, standing: null, version: 0 },
    ]
    const again = overStanding(levels(level('a', '1', '4'), level('b', '2', '4')), conflicts)
    expect(cellsOf(again).map(({ symbol, was }) => [symbol, was])).toEqual([
      ['1', '9'],
      ['2', null],
    ])
    expect(overStanding(comment('Maya', 3), [{ nth: 0, standing: {}, version: 8 }])).toEqual(comment('Maya', 8))
  })

  it('a text that was sent meanwhile is over the version that came of it, never over an older one', () => {
    expect(afterVersion(comment('Maya', 3), 5)).toEqual(comment('Maya', 5))
    expect(afterVersion(comment('Maya', 6), 5)).toEqual(comment('Maya', 6))
  })
})
