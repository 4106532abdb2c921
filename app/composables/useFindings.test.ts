import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue'
import { indexRecord } from '~~/core/record/recordIndex'
import { exampleClass } from '../../tests/exampleClass'
import { useFindings } from './useFindings'

// The checker answers when it likes and in what order it likes; what it says is shown beside what it was said of.
const store = vi.hoisted(() => ({ classRecord: { record: {} as unknown, index: null as unknown } }))
vi.mock('~/stores/classRecord', () => ({ useClassRecord: () => store.classRecord }))

type Asked = { id: number; text: string }
class Checker extends EventTarget {
  static made: Checker[] = []
  asked: Asked[] = []
  constructor() {
    super()
    Checker.made.push(this)
  }
  postMessage = (message: Asked | 'key'): void => void (message === 'key' || this.asked.push(message))
  terminate = vi.fn()
  answer(text: RegExp, part: object): void {
    const { id } = this.asked.find((each) => text.test(each.text)) ?? {}
    this.dispatchEvent(new MessageEvent('message', { data: { id, ...part } }))
  }
}
const remark = { rule: 'SpellCheck', message: 'A slip.', start: 18, end: 23, suggestions: ['steady'] }
const record = exampleClass()
const student = record.students[0]
const [box] = record.boxes
const index = shallowRef(indexRecord(record))
let scope: EffectScope

/** What is found when a text stands, once the checker has been asked. */
async function write(text: string): Promise<void> {
  const comment = { studentId: student?.id ?? '', box: box?.key ?? '', text, status: 'draft' as const, version: 1 }
  index.value = indexRecord({ ...record, comments: [{ ...record.comments[0], ...comment } as never] })
  await nextTick()
  await vi.advanceTimersByTimeAsync(600)
}
const found = () =>
  scope.run(() =>
    useFindings(
      () => student ?? null,
      () => box ?? null,
    ),
  )

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('Worker', Checker)
  for (const name of ['addEventListener', 'removeEventListener']) vi.stubGlobal(name, vi.fn())
  store.classRecord = {
    get record() {
      return index.value.record
    },
    get index() {
      return index.value
    },
  }
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

it('an answer that comes late to an earlier text does not put away what was found in this one', async () => {
  const checks = found()
  await write('Maya draws with a stedy hand and and looks.')
  await write('Maya draws with a stedy hand and looks.')
  const checker = Checker.made.at(-1)
  checker?.answer(/hand and looks/, { remarks: [remark] })
  await vi.advanceTimersByTimeAsync(1)
  const slips = (): number | undefined => checks?.findings.value.filter(({ why }) => why === 'A slip.').length
  expect(slips()).toBe(1)
  checker?.answer(/and and/, { remarks: [] })
  await vi.advanceTimersByTimeAsync(1)
  expect(slips()).toBe(1)
})

it('what failed is said and asked again, of a new checker where the old one is gone', async () => {
  const checks = found()
  await write('Maya reads.')
  const gone = Checker.made.at(-1)
  gone?.dispatchEvent(new Event('error'))
  await vi.advanceTimersByTimeAsync(1)
  expect(checks?.languageProblem.value).toBe('The language check could not be started.')
  await write('Maya reads well.')
  await write('Maya reads.')
  expect(Checker.made.at(-1)).not.toBe(gone)
  Checker.made.at(-1)?.answer(/ reads\.$/, { remarks: [] })
  await vi.advanceTimersByTimeAsync(1)
  expect([checks?.languageProblem.value, gone?.terminate.mock.calls.length]).toEqual(['', 1])
})
