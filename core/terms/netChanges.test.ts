import { expect, it } from 'vitest'
import { netChanges } from './netChanges'

const change = (place: string, from: string | null, to: string | null, by: string, at: number) => ({
  ...{ place, from, to, by, at },
})

it('tells each value from what it was to what it is, and by whom; what stands again as before is left out', () => {
  const changes = [
    change('a', '3', '2', 'Ines', 0),
    change('b', null, '1', 'Ines', 1),
    change('a', '2', '1', 'Tobias', 2),
    change('b', '1', null, 'Tobias', 3),
    change('a', '1', '2', 'Ines', 4),
  ]
  expect(netChanges(changes)).toEqual([{ place: 'a', from: '3', to: '2', by: ['Ines', 'Tobias'], at: 4 }])
  expect(netChanges([])).toEqual([])
})
