import fc from 'fast-check'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiProblem, askServer } from '~/composables/useApi'
import type { Work } from '~/outbox/work'
import { useSaving } from './saving'
import { useSession } from './session'

vi.mock('~/composables/useApi', async (original) => ({
  ...(await original<typeof import('~/composables/useApi')>()),
  askServer: vi.fn(),
}))

type Level = Extract<Work, { kind: 'levels' }>['body']['levels'][number]
const passing = new ApiProblem('The server cannot be reached just now.', 0, {})
/** Nobody else may have been served: IndexedDB is shared by all tests of this file. */
let people = 0

beforeEach(() => {
  // IndexedDB's own turns are not the clock's.
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval'] })
})
afterEach(() => {
  vi.useRealTimers()
})

/** Somebody's page, and the server that it speaks to. */
async function page(answer: (method: string, path: string, body: unknown) => unknown) {
  setActivePinia(createPinia())
  vi.mocked(askServer).mockImplementation(async (method, path, body) => answer(method, path, body) as never)
  useSession().person = { id: `person ${(people += 1)}`, name: 'Ines', setsUp: false }
  const saving = useSaving()
  await saving.takeUp()
  /** Until nothing waits any more. */
  const settled = async (): Promise<void> => {
    do {
      await vi.advanceTimersByTimeAsync(10_000)
      await saving.flush()
    } while (saving.waiting.length > 0 || saving.pending.size > 0)
  }
  return { saving, settled }
}

const levels = (...cells: Pick<Level, 'about' | 'symbol' | 'was'>[]): Work => ({
  kind: 'levels',
  key: 'cells',
  path: 'levels',
  what: 'Levels',
  body: { levels: cells.map((cell) => ({ studentId: 'maya', kind: 'skill', ...cell })) },
})
const cellsOf = (work: Work): Level[] => (work.kind === 'levels' ? work.body.levels : [])

/** The server's rule for levels: each is over what its writer saw, or stands so already; all of them or none. */
class Levels {
  readonly stand = new Map<string, string | null>()
  /** What was last taken of each cell from the page. */
  readonly taken = new Map<string, string | null>()
  mood: 'well' | 'away' | 'breaks' = 'well'

  put({ levels: cells }: { levels: Level[] }): { event: number; version: null } {
    if (this.mood === 'away') throw passing
    const conflicts = cells.flatMap(({ about, was, symbol }, nth) => {
      const standing = this.stand.get(about) ?? null
      return standing === was || standing === symbol ? [] : [{ nth, standing: { symbol: standing }, version: 0 }]
    })
    if (conflicts.length > 0) throw new ApiProblem('Somebody has changed this.', 409, { conflicts })
    for (const { about, symbol } of cells) {
      this.stand.set(about, symbol)
      this.taken.set(about, symbol)
    }
    // It is in, and the page never hears of it.
    if (this.mood === 'breaks') throw passing
    return { event: 1, version: null }
  }
}

it('loses nothing: what was typed last into each cell is taken by the server, or listed as refused', async () => {
  const about = fc.constantFrom('a', 'b', 'c')
  const symbol = fc.constantFrom('1', '2', '3', null)
  const step = fc.oneof(
    { weight: 4, arbitrary: fc.record({ does: fc.constant('type' as const), about, symbol }) },
    fc.record({ does: fc.constant('elsewhere' as const), about, symbol }),
    fc.record({ does: fc.constant('mood' as const), mood: fc.constantFrom('well', 'away', 'breaks') }),
    fc.record({ does: fc.constant('wait' as const), for: fc.constantFrom(10, 500, 9000) }),
  )
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 20 }), async (steps) => {
      const server = new Levels()
      const { saving, settled } = await page((_method, _path, body) => server.put(body as { levels: Level[] }))
      const shown = new Map<string, string | null>()
      for (const each of steps) {
        if (each.does === 'elsewhere') server.stand.set(each.about, each.symbol)
        else if (each.does === 'mood') server.mood = each.mood
        else if (each.does === 'wait') await vi.advanceTimersByTimeAsync(each.for)
        else {
          saving.save(levels({ ...each, was: shown.get(each.about) ?? null }), 'soon')
          shown.set(each.about, each.symbol)
        }
      }
      server.mood = 'well'
      await settled()
      const refused = saving.refused.flatMap(({ work }) => cellsOf(work))
      for (const [cell, wanted] of shown) {
        const isIn = server.taken.has(cell) && server.taken.get(cell) === wanted
        const isListed = refused.some((each) => each.about === cell && each.symbol === wanted)
        expect([cell, isIn || isListed]).toEqual([cell, true])
      }
    }),
    { numRuns: 60 },
  )
})

it('what is refused stops nothing after it, and goes out again over what its owner was shown', async () => {
  const server = new Levels()
  server.stand.set('a', '9')
  const { saving, settled } = await page((_method, _path, body) => server.put(body as { levels: Level[] }))
  saving.save(levels({ about: 'a', symbol: '1', was: null }, { about: 'b', symbol: '2', was: null }))
  await settled()
  expect([server.stand.get('a'), server.stand.get('b'), saving.refused.length]).toEqual(['9', '2', 1])
  const [entry] = saving.refused
  if (entry) await saving.insist(entry)
  expect([server.stand.get('a'), saving.refused.length]).toEqual(['1', 0])
})

it('a text that is typed on while its beginning is under way goes out on the version that came of it', async () => {
  const text = (words: string, version: number): Work => ({
    kind: 'comment',
    key: 'comment maya general',
    path: 'comment',
    what: 'General comment of Maya',
    body: {
      studentId: 'maya',
      box: 'general',
      text: words,
      sentences: [],
      ownWords: true,
      status: 'in draft',
      version,
    },
  })
  const sent: [string, number][] = []
  const { saving, settled } = await page((_method, _path, body) => {
    const { text: words, version } = body as { text: string; version: number }
    sent.push([words, version])
    // The next letter comes before the answer.
    if (sent.length === 1) saving.save(text('Maya reads on.', 3))
    return { event: 7, version: version + 10 }
  })
  saving.save(text('Maya reads.', 3))
  await settled()
  expect(sent).toEqual([
    ['Maya reads.', 3],
    ['Maya reads on.', 13],
  ])
})

it('undoing says what was seen, and undoing that does it again', async () => {
  const asked: unknown[] = []
  const { saving, settled } = await page((method, path, body) => {
    if (method === 'PUT') return { event: 7, version: 5 }
    asked.push([path, body])
    return { event: 8, version: 6 }
  })
  saving.save(levels({ about: 'a', symbol: '1', was: null }))
  await settled()
  await saving.undoLast()
  expect([saving.lastWasUndo, saving.isOwn(8)]).toEqual([true, true])
  await saving.undoLast()
  expect(asked).toEqual([
    ['/api/events/7/undo', { seen: 5 }],
    ['/api/events/8/undo', { seen: 6 }],
  ])
})

describe('undoing waits', () => {
  /** A page on which one address answers when it is told to; the last change is event 9, all before it 7. */
  async function slowly(slow: string, last: string) {
    let answer = (): void => undefined
    const answered = new Promise<void>((done) => (answer = done))
    const undone: string[] = []
    const { saving } = await page(async (_, path) => {
      if (path.endsWith('/undo')) undone.push(path)
      else if (path === slow) await answered
      return { event: path === last ? 9 : 7, version: null }
    })
    return { saving, undone, answer: () => answer() }
  }

  it('for what was asked for and is not answered yet, and takes that back', async () => {
    const { saving, undone, answer } = await slowly('plan', 'plan')
    await saving.askFor('PUT', 'phrases', {})
    const plan = saving.askFor('PUT', 'plan', {})
    const back = saving.undoLast()
    await vi.advanceTimersByTimeAsync(5000)
    await saving.flush()
    expect(undone).toEqual([])
    answer()
    await Promise.all([plan, back])
    expect(undone).toEqual(['/api/events/9/undo'])
  })

  it('for a change that has its turn only after another, and takes that back', async () => {
    const { saving, undone, answer } = await slowly('up', 'dragged')
    const turns = saving.askFor('PUT', 'up', {}).then(() => saving.askFor('PUT', 'dragged', {}))
    saving.undoAfter(turns)
    const back = saving.undoLast()
    answer()
    await vi.advanceTimersByTimeAsync(5000)
    await Promise.all([turns, back])
    expect(undone).toEqual(['/api/events/9/undo'])
  })
})

it('who is signed out keeps what was typed, and it goes out after signing in', async () => {
  let isIn = false
  const { saving, settled } = await page(() => {
    if (!isIn) throw new ApiProblem('Sign in first.', 401, {})
    return { event: 1, version: null }
  })
  saving.save(levels({ about: 'a', symbol: '1', was: null }))
  await vi.advanceTimersByTimeAsync(1000)
  await saving.flush()
  expect([useSession().expired, saving.waiting.length]).toEqual([true, 1])
  isIn = true
  useSession().expired = false
  await settled()
  expect([saving.waiting.length, saving.refused.length]).toEqual([0, 0])
})
