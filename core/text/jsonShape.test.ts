import fc from 'fast-check'
import { expect, it } from 'vitest'
import { jsonShapeProblem } from './jsonShape'

const problemOf = (text: string): string | null => jsonShapeProblem(new TextEncoder().encode(text))

it('lets every document through that is neither deep nor long', () => {
  fc.assert(fc.property(fc.json({ maxDepth: 20 }), (text) => problemOf(text) === null))
})

it('finds depth and length wherever they stand, and counts nothing in texts', () => {
  const long = (count: number): string => `{"a":{"b":[${Array(count).fill('1').join()}]}}`
  expect([problemOf(long(20_000)), problemOf(long(20_001))]).toEqual([null, 'No more than 20,000 at once.'])
  const deep = (depth: number): string => `${'[{"a":'.repeat(depth / 2)}1${'}]'.repeat(depth / 2)}`
  expect([problemOf(deep(24)), problemOf(deep(26))]).toEqual([null, 'This is nested too deeply.'])
  expect(problemOf('['.repeat(1_000_000))).toBe('This is nested too deeply.')
  const many = `[${Array(80)
    .fill(`[${Array(19_000).fill('0').join()}]`)
    .join()}]`
  expect(problemOf(many)).toBe('This is too much at once. Send less.')
  expect(problemOf(JSON.stringify(['[{,\\"'.repeat(30_000)]))).toBeNull()
})
