import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { usualSettings, type OwnSettings } from '~~/contracts/ownSettings'
import { usualMarkRules } from '~~/core/marks/markRules'
import type { MarkProposal } from '~~/core/record/markProposal'
import type { Student } from '~~/core/record/roster'
import { pastValueText } from './pastValueText'
import { useCellRange } from './useCellRange'
import { useColumnWindow } from './useColumnWindow'
import { useLastCell } from './useLastCell'
import { useTypedMarks } from './useTypedMarks'

const { settleMarks, width, own } = vi.hoisted(() => ({
  settleMarks: vi.fn(),
  width: { value: 0 },
  own: {} as OwnSettings,
}))
vi.mock('@vueuse/core', () => ({ useElementSize: () => ({ width }) }))
vi.mock('~/stores/classRecord', () => ({ useClassRecord: () => ({ settleMarks }) }))
vi.mock('~/stores/settings', () => ({ useSettings: () => ({ own }) }))

describe('the last cell of what is typed down', () => {
  const press = (end: ReturnType<typeof useLastCell>, key: string, more: object = {}) => {
    const prevented = vi.fn()
    const isHeld = end.holds({ key, preventDefault: prevented, ...more } as unknown as KeyboardEvent)
    expect(prevented.mock.calls).toHaveLength(isHeld ? 1 : 0)
    return isHeld
  }
  it('takes no more letters once it is typed in, and says so, until somebody moves', () => {
    const end = useLastCell()
    expect([press(end, 'B'), end.said.value]).toEqual([false, ''])
    end.reach()
    expect(end.said.value).toBe('That was the last one.')
    expect([press(end, 'Shift'), press(end, 'C'), press(end, 'Enter'), press(end, 'D')]).toEqual([
      false,
      true,
      true,
      true,
    ])
    expect(end.said.value).toMatch(/changed nothing/)
    expect([press(end, 'ArrowUp'), press(end, 'C'), end.said.value]).toEqual([false, false, ''])
    end.reach()
    expect([press(end, 'z', { ctrlKey: true }), press(end, 'C')]).toEqual([false, false])
  })
})

describe('a mark that is typed', () => {
  const typed = (text: string, settings: Partial<OwnSettings> = {}, percent: number | null = null) => {
    Object.assign(own, usualSettings, settings)
    settleMarks.mockClear()
    const marks = useTypedMarks()
    const settled = percent === null ? undefined : { percent, special: null, reason: 'Ill at the test' }
    const proposal = { settled, computed: { percent: 71 } } as unknown as MarkProposal
    const cell = { student: { id: 'maya' } as Student, subject: 'art', rules: usualMarkRules, proposal }
    const enter = { target: { value: text }, key: 'Enter', preventDefault: () => undefined } as unknown as KeyboardEvent
    const moved = vi.fn(() => true)
    marks.onKey(enter, cell, moved)
    const mark = settleMarks.mock.calls[0]?.[0][0]?.mark
    return { mark, problem: marks.problem.value, wentOn: moved.mock.calls.length === 1 }
  }
  it.each([
    ['84', {}, { percent: 84, special: null, reason: null }],
    ['84,5 %', {}, { percent: 84.5, special: null, reason: null }],
    ['0', {}, { percent: 0, special: null, reason: null }],
    ['na', {}, { percent: null, special: 'not assessed', reason: null }],
    ['15', { marksAs: 'points', pointsOf: 20 } as const, { percent: 75, special: null, reason: null }],
    ['', {}, { percent: 71, special: null, reason: null }],
  ])('“%s” %o is kept', (text, settings, mark) => {
    expect(typed(text, settings)).toEqual({ mark, problem: '', wentOn: true })
  })
  it('keeps the reason, and takes the mark back where nothing is left', () => {
    expect(typed('90', {}, 80).mark).toEqual({ percent: 90, special: null, reason: 'Ill at the test' })
    expect(typed('', {}, 80).mark).toBeNull()
  })
  it.each(['101', '-1', 'B', '8O'])('“%s” is none: it is said, and the cell is not left', (text) => {
    const { mark, problem, wentOn } = typed(text)
    expect([mark, wentOn, problem]).toEqual([undefined, false, expect.stringContaining(`“${text}” is no mark`)])
  })
})

it('the column at hand is in view, whatever its grid’s width and wherever one goes', async () => {
  const move = fc.oneof(fc.integer({ min: 0, max: 40 }), fc.constantFrom('on' as const, 'back' as const))
  const step = fc.record({ move, width: fc.integer({ min: 100, max: 2000 }) })
  await fc.assert(
    fc.asyncProperty(fc.integer({ min: 1, max: 40 }), fc.array(step, { maxLength: 20 }), async (count, steps) => {
      const measured = ref(0)
      Object.defineProperty(width, 'value', { get: () => measured.value, configurable: true })
      const at = ref(0)
      const go = (to: number): void => void (at.value = to)
      const widths = { column: 90, names: 200, namesWhereNarrow: 120 }
      const window = useColumnWindow(ref(null), { count: () => count, at: () => at.value, go }, widths)
      for (const each of steps) {
        measured.value = each.width
        if (typeof each.move === 'number') go(Math.min(count - 1, each.move))
        else window.turn(each.move === 'on' ? 1 : -1)
        await nextTick()
        const [from, last] = [window.from.value, window.last.value]
        expect([from >= 0, last <= count, from <= at.value, at.value < last]).toEqual([true, true, true, true])
      }
    }),
  )
})

it('keys lead within a grid, and a block is of the cells between', () => {
  const { at, block, go, stepOf } = useCellRange(() => ({ rows: 3, columns: 4 }))
  const press = (key: string, held = {}): void => {
    const to = stepOf({ key, ctrlKey: false, metaKey: false, ...held } as KeyboardEvent, 10)
    if (to) go(to, 'shiftKey' in held)
  }
  press('ArrowUp')
  expect(at.value).toEqual({ row: 0, column: 0 })
  press('End', { ctrlKey: true })
  expect(at.value).toEqual({ row: 2, column: 3 })
  press('ArrowRight')
  press('ArrowLeft', { shiftKey: true })
  press('PageUp', { shiftKey: true })
  expect(block.value).toEqual({ top: 0, bottom: 2, left: 2, right: 3 })
  press('a')
  expect(at.value).toEqual({ row: 0, column: 2 })
})

it.each([
  [null, 'nothing'],
  [{ percent: 84, special: null, reason: null }, '84 %'],
  [{ percent: null, special: 'absent', reason: 'Ill' }, 'absent (Ill)'],
  [{ state: 'scored', score: 7 }, '7'],
  [{ absences: 2, lates: 1 }, 'absent 2, late 1'],
  [{ symbol: '3' }, '3'],
  [{ text: 'Maya reads.' }, '“Maya reads.”'],
] as const)('%o stood there: “%s”', (value, words) => {
  expect(pastValueText(value as Parameters<typeof pastValueText>[0])).toBe(words)
})
