import fc from 'fast-check'
import { expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import type { ClassRecord } from './classRecord'
import { indexRecord } from './recordIndex'
import { isRedraftable } from './redraftable'

const students = ['1', '2']
const abouts = [
  ['skill', 's1'],
  ['skill', 's2'],
  ['habit', 'care'],
  ['habit', 's1'],
] as const
const symbols = fc.constantFrom('1', '2', '3')

/** One part of a record exchanged for another list, as the stores do it. */
const anyChange: fc.Arbitrary<Partial<ClassRecord>> = fc.oneof(
  fc
    .array(
      fc.record({ studentId: fc.constantFrom(...students), about: fc.constantFrom('s1', 's2'), symbol: symbols }),
      { maxLength: 5 },
    )
    .map((levels) => ({ levels })),
  fc
    .array(
      fc.record({ studentId: fc.constantFrom(...students), about: fc.constantFrom('care', 's1'), symbol: symbols }),
      {
        maxLength: 3,
      },
    )
    .map((habitScores) => ({ habitScores })),
  fc
    .array(
      fc.record({
        studentId: fc.constantFrom(...students),
        subject: fc.constant('sums'),
        percent: fc.integer({ min: 0, max: 100 }),
        special: fc.constant(null),
        reason: fc.constant(null),
      }),
      { maxLength: 3 },
    )
    .map((marks) => ({ marks })),
  fc
    .array(
      fc.record({
        workId: fc.constantFrom('w1', 'w2', 'gone'),
        studentId: fc.constantFrom(...students),
        state: fc.constant('scored' as const),
        score: fc.integer({ min: 0, max: 10 }),
        remark: fc.constant(''),
      }),
      { maxLength: 4 },
    )
    .map((results) => ({ results })),
  fc
    .constantFrom('sums', 'other')
    .map((subject) => ({ work: exampleClass().work.map((each) => ({ ...each, subject })) })),
)

it('after any row of changes an index answers as if each list had been searched through', () => {
  fc.assert(
    fc.property(fc.array(anyChange, { minLength: 1, maxLength: 8 }), (changes) => {
      let record = exampleClass()
      for (const change of changes) {
        record = { ...record, ...change }
        const index = indexRecord(record)
        for (const id of students) {
          for (const [kind, about] of abouts)
            expect(index.levelOf(id, kind, about)).toBe(
              (kind === 'habit' ? record.habitScores : record.levels).findLast(
                (each) => each.studentId === id && each.about === about,
              )?.symbol,
            )
          expect(index.markOf(id, 'sums')).toBe(
            record.marks.findLast((each) => each.studentId === id && each.subject === 'sums'),
          )
          const ofSums = new Set(record.work.filter((each) => each.subject === 'sums').map((each) => each.id))
          expect(index.resultsOf(id, 'sums')).toEqual(
            record.results.filter((each) => each.studentId === id && ofSums.has(each.workId)),
          )
        }
        expect(index.workOf('sums').map((each) => each.id)).toEqual(
          record.work[0]?.subject === 'sums' ? ['w1', 'w2'] : [],
        )
      }
    }),
  )
})

it('a comment is composed anew without asking only while it is a draft in nobody’s own words', () => {
  const may = ([true, false] as const).flatMap((ownWords) =>
    (['in draft', 'finished'] as const).map((status) => isRedraftable({ ownWords, status })),
  )
  expect(may).toEqual([false, false, true, false])
})
