import { expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { nothingRetired, setupInUse, type Retired } from './keptSetup'

const [all, art] = [
  exampleClass(),
  { key: 'art', name: 'Art', inSentence: 'art', markScale: 'marks', skillScale: 'skills' },
]
const setup = {
  ...all,
  subjects: [...all.subjects, art],
  boxes: [...all.boxes, { ...all.boxes[1], key: 'art', subject: 'art' }],
}
const left = (retired: Partial<Record<keyof Retired, string>>) => {
  const keys = Object.entries(retired).map(([kind, key]) => [kind, new Set([key])] as const)
  const { subjects, skills, habits, boxes } = setupInUse(setup as typeof all, {
    ...nothingRetired,
    ...Object.fromEntries(keys),
  })
  return [subjects, habits, boxes].map((each) => each.map(({ key }) => key)).concat([skills.map(({ id }) => id)])
}

it('without what is retired, and without what belongs to a subject that is', () => {
  const whole = [['sums', 'art'], ['care'], ['general', 'sums', 'art'], ['s1', 's2', 's3']]
  const [subjects, habits, boxes, skills] = whole
  expect(left({})).toEqual(whole)
  expect(left({ skills: 's2' })).toEqual([subjects, habits, boxes, ['s1', 's3']])
  expect(left({ habits: 'care' })).toEqual([subjects, [], boxes, skills])
  expect(left({ boxes: 'general' })).toEqual([subjects, habits, ['sums', 'art'], skills])
  expect(left({ subjects: 'sums' })).toEqual([['art'], habits, ['general', 'art'], []])
})
