import { expect, it } from 'vitest'
import { exactWords, findWords, wholeWords } from './checkSettings'

const found = (text: string, words: string[]): [string, number, number][] =>
  findWords(text, words).map(({ word, start, end }) => [word, start, end])

it('finds words of a list whole, in any case, with either apostrophe and any spacing', () => {
  expect(found('The Hospital, not hospitals.', ['doctor', ' hospital '])).toEqual([[' hospital ', 4, 12]])
  expect(found('At mum’s  house', ["Mum's house"])).toEqual([["Mum's house", 3, 15]])
  expect(found('a care home and care', ['care', 'care home'])).toEqual([
    ['care home', 2, 11],
    ['care', 16, 20],
  ])
})

it('takes an abbreviation only as it is written', () => {
  expect(found('Add it up: ADD was seen, adHD too', ['ADD', ' ADHD '])).toEqual([['ADD', 11, 14]])
})

it('finds nothing where there is nothing to look for', () => {
  expect(found('Anything at all', [])).toEqual([])
  expect(found('Anything at all', ['', '  '])).toEqual([])
  expect('Mum and mum'.match(exactWords('mum'))).toEqual(['mum'])
})

it('is asked for the same words twice, and then for others', () => {
  expect(wholeWords('one', 'two')).toBe(wholeWords('one', 'two'))
  expect('one two three'.match(wholeWords('three'))).toEqual(['three'])
})
