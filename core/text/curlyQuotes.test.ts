import fc from 'fast-check'
import { expect, it } from 'vitest'
import { curlyQuotes } from './curlyQuotes'

it.each([
  [`"It's hers," he said.`, '“It’s hers,” he said.'],
  [`('So') the girls' own: "Who said 'yes'?"`, '(‘So’) the girls’ own: “Who said ‘yes’?”'],
  [`In the '90s, 'tis said.`, 'In the ’90s, ’tis said.'],
  ['“Done” is ‘done’.', '“Done” is ‘done’.'],
])('sets %s right', (typed, printed) => {
  expect(curlyQuotes(typed)).toBe(printed)
})

it('moves nothing, and does nothing the second time', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom('"', "'", ' ', 'a', '(', '“', '’', '\n')), (letters) => {
      const typed = letters.join('')
      const once = curlyQuotes(typed)
      expect(once).toHaveLength(typed.length)
      expect(curlyQuotes(once)).toBe(once)
    }),
  )
})
