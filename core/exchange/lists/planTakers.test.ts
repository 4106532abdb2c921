import { expect, it } from 'vitest'
import { planTakers } from './planTakers'

const child = (schoolNumber: string, legalGiven: string, family: string) => ({
  ...{ id: schoolNumber, schoolNumber, legalGiven, usedName: legalGiven, family },
})
const here = [child('101', 'Maya', 'Reed'), child('102', 'Jonas', 'Bae'), child('103', 'Jonas', 'Lund')]

it.each([
  ['', [], []],
  ['Maya Reed\nLund, Jonas', ['101', '103'], []],
  ['Number\tName\n102\tJonas Bae', ['102'], []],
  ['Reed\tMaya\nLund\tJonas', ['101', '103'], []],
  [
    'Maya Reed\nJonas\nNobody Known',
    ['101'],
    [
      '2: “Jonas” could be Jonas Bae or Jonas Lund: write the number.',
      '3: There is no child with “Nobody Known” in this class.',
    ],
  ],
])('%j says who takes it, and asks of whom it is not certain', (text, ids, asked) => {
  const { takers, refused } = planTakers(text, here)
  expect([...takers]).toEqual(ids)
  expect(refused.map(({ row, reason }) => `${row}: ${reason}`)).toEqual(asked)
})
