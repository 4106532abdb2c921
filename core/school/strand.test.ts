import { describe, expect, it } from 'vitest'
import { nameOfStrand, renameStrand, strandCalled, strandsAlike } from './strand'

const now = { strandNames: { Number: 'Numbers', Space: 'Number' } }

describe('strands', () => {
  it('are called as they are now, whatever word that is', () => {
    expect(['Number', 'Space', 'Chance', 'constructor'].map((key) => nameOfStrand(now, key))).toEqual([
      ...['Numbers', 'Number', 'Chance', 'constructor'],
    ])
    expect(nameOfStrand(undefined, 'toString')).toBe('toString')
  })
  it('are found by the name they have, then by the one they had, else they are new', () => {
    const called = (written: string) => strandCalled(now, ['Number', 'Space'], written)
    expect(['numbers', ' NUMBER', 'space', 'Chance'].map(called)).toEqual(['Number', 'Space', 'Space', 'Chance'])
  })
  it('get another name, and their first one back', () => {
    expect(renameStrand({ Space: 'Shapes' }, 'Number', 'Numbers')).toEqual({ Space: 'Shapes', Number: 'Numbers' })
    expect(renameStrand({ Number: 'Numbers' }, 'Number', 'Number')).toEqual({})
    expect(renameStrand({ Number: 'Numbers' }, 'Number', '')).toEqual({})
  })
  it('of two with one name are told', () => {
    expect(strandsAlike({ strandNames: { Space: 'number' } }, ['Number', 'Number', 'Space'])).toEqual(['number'])
    expect(strandsAlike(now, ['Number', 'Space'])).toEqual([])
  })
})
