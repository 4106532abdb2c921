import { beforeEach, expect, it } from 'vitest'
import { holdUrgently, silentAfter, takeUrgent } from './urgent'
import type { Work } from './work'

const work = (key: string): Work => ({
  kind: 'levels',
  key,
  path: 'levels',
  what: 'A skill of Maya',
  body: { levels: [] },
})
const keys = (taken: ReturnType<typeof takeUrgent>): string[] => taken.map((each) => `${each.tab} ${each.work.key}`)

beforeEach(() => {
  localStorage.clear()
  sessionStorage.clear()
})

it('what a page could not keep is taken by the next page of its tab at once, once, and by nobody else’s', () => {
  holdUrgently('ines', 'tab 1', [work('a'), work('b')], 1000)
  expect(keys(takeUrgent('ines', 'tab 1', 1001))).toEqual([])
  expect(keys(takeUrgent('marek', 'tab 2', 1001))).toEqual([])
  expect(keys(takeUrgent('ines', 'tab 2', 1001))).toEqual(['tab 1 a', 'tab 1 b'])
  expect(keys(takeUrgent('ines', 'tab 2', 1001))).toEqual([])
})

it('another tab takes it when its page has been silent for long, and no sooner', () => {
  holdUrgently('ines', 'tab 1', [work('a')], 1000)
  sessionStorage.clear()
  expect(keys(takeUrgent('ines', 'tab 2', 999 + silentAfter))).toEqual([])
  expect(keys(takeUrgent('ines', 'tab 2', 1000 + silentAfter))).toEqual(['tab 1 a'])
})

it('what has reached the outbox is held no longer, and what cannot be read harms nothing', () => {
  holdUrgently('ines', 'tab 1', [work('a')], 1000)
  holdUrgently('ines', 'tab 1', [], 1001)
  localStorage.setItem('facunda.urgent.tab 3', '{"own')
  expect(keys(takeUrgent('ines', 'tab 2', 99_000))).toEqual([])
})
