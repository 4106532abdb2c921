import fc from 'fast-check'
import { expect, it } from 'vitest'
import { placesOfResults, withResults } from './resultPlaces'
import type { StudentResult } from './termRecord'

const place = { workId: fc.constantFrom('w1', 'w2', 'w3'), studentId: fc.constantFrom('maya', 'tom') }
const anyResult = fc.record({
  state: fc.constantFrom('scored' as const, 'missing' as const),
  score: fc.option(fc.integer({ min: 0, max: 9 })),
  remark: fc.constantFrom('', 'late bus'),
})
const anyCell = fc.record({ ...place, result: fc.option(anyResult) })

it('a list that results were put into is known as if it were read anew, and says what was put in last', () => {
  fc.assert(
    fc.property(fc.array(fc.array(anyCell, { maxLength: 6 }), { maxLength: 5 }), (steps) => {
      let list: readonly StudentResult[] = []
      const expected = new Map<string, StudentResult>()
      for (const cells of steps) {
        const before = [...list]
        const next = withResults(list, cells)
        expect(list).toEqual(before)
        list = next
        for (const { workId, studentId, result } of cells) {
          if (result) expected.set(`${workId} ${studentId}`, { workId, studentId, ...result })
          else expected.delete(`${workId} ${studentId}`)
        }
      }
      const places = placesOfResults(list)
      expect(new Map(list.map((each) => [`${each.workId} ${each.studentId}`, each]))).toEqual(expected)
      expect(list).toHaveLength(expected.size)
      const anew = placesOfResults([...list])
      for (const workId of ['w1', 'w2', 'w3'])
        expect(new Map(places.byWork.get(workId) ?? [])).toEqual(new Map(anew.byWork.get(workId) ?? []))
      for (const studentId of ['maya', 'tom'])
        expect(new Set(places.byStudent.get(studentId))).toEqual(new Set(anew.byStudent.get(studentId)))
    }),
  )
})

it('what is not changed is the very same, so that nothing of it is made again', () => {
  const scored = (workId: string, studentId: string) => ({
    workId,
    studentId,
    state: 'scored' as const,
    score: 7,
    remark: '',
  })
  const list = [scored('w1', 'maya'), scored('w1', 'tom'), scored('w2', 'tom')]
  const before = placesOfResults(list)
  const after = placesOfResults(withResults(list, [{ workId: 'w1', studentId: 'maya', result: null }]))
  expect(after.byStudent.get('tom')).toBe(before.byStudent.get('tom'))
  expect(after.byWork.get('w2')).toBe(before.byWork.get('w2'))
  expect(after.byWork.get('w1')).not.toBe(before.byWork.get('w1'))
})

it('many results that are put in at once stand where they stood, those taken back are gone, new ones come behind', () => {
  const scored = (at: number, score: number) => ({
    ...{ workId: 'w1', studentId: `s${at}`, state: 'scored' as const, score, remark: '' },
  })
  const list = Array.from({ length: 30 }, (_, at) => scored(at, 1))
  const cells = Array.from({ length: 22 }, (_, at) => ({
    ...{ workId: 'w1', studentId: `s${at * 2}` },
    result: at === 3 ? null : { state: 'scored' as const, score: 9, remark: '' },
  }))
  const scores = withResults(list, cells).map(({ studentId, score }) => `${studentId} ${score}`)
  expect(scores.slice(0, 9)).toEqual(['s0 9', 's1 1', 's2 9', 's3 1', 's4 9', 's5 1', 's7 1', 's8 9', 's9 1'])
  expect(scores.slice(28)).toEqual(['s29 1', ...[30, 32, 34, 36, 38, 40, 42].map((at) => `s${at} 9`)])
})
