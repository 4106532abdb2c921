import { expect, it } from 'vitest'
import { skillsTogether, skillWords } from './skillWords'

// Written by hand before the rules were: family words as schools write them, and what they are to become.
it.each([
  ['Adds and subtracts large numbers', '{adds} and {subtracts} large numbers', 'adding and subtracting large numbers'],
  ['Add and subtract large numbers.', '{adds} and {subtracts} large numbers', 'adding and subtracting large numbers'],
  [
    'adding and subtracting large numbers',
    '{adds} and {subtracts} large numbers',
    'adding and subtracting large numbers',
  ],
  ['I can plan a fair test', '{plans} a fair test', 'planning a fair test'],
  ['The student is able to read aloud and retell a story', '{reads} aloud and {retells} a story', null],
  [
    'Measures, draws and reads graphs',
    '{measures}, {draws} and {reads} graphs',
    'measuring, drawing and reading graphs',
  ],
  ['Explains why a method works', '{explains} why a method works', 'explaining why a method works'],
  ['Draws lines and shapes', '{draws} lines and shapes', 'drawing lines and shapes'],
  ['Uses commas and quotation marks', '{uses} commas and quotation marks', 'using commas and quotation marks'],
  [
    'Knows and uses number facts to 20',
    '{knows} and {uses} number facts to 20',
    'knowing and using number facts to 20',
  ],
  ['Swims a length', '{swims} a length', 'swimming a length'],
  ['Is kind to classmates', '{is} kind to classmates', 'being kind to classmates'],
  ['Strums three chords', '{strums} three chords', 'strumming three chords'],
  ['{tallies} and draws', '{tallies} and draws', 'tallying and draws'],
])('%s', (written, does, doing) => {
  expect(skillWords(written)?.does).toBe(does)
  if (doing !== null) expect(skillWords(written)?.doing).toBe(doing)
})

// As statements come out of the lists that schools have.
it.each([
  ['Runs, jumps, throws and balances', '{runs}, {jumps}, {throws} and {balances}'],
  ['5.NBT.2 Explains powers of ten', '{explains} powers of ten'],
  ['M3: Reads graphs', '{reads} graphs'],
  ['Pupils should be able to plan a test', '{plans} a test'],
  ['Demonstrates understanding of fractions', '{demonstrates} understanding of fractions'],
  ['To read aloud with expression', '{reads} aloud with expression'],
  ['Understanding of text', '{understands} text'],
  ['Reads aloud. Retells a story.', '{reads} aloud'],
  ['Place value', '{works} with place value'],
  ['Fractions and decimals', '{works} with fractions and decimals'],
  ['Multi-step problem solving', '{works} with multi-step problem solving'],
  [`Uses ${'long '.repeat(60)}words`, undefined],
  ['Reading comprehension', '{works} with reading comprehension'],
  ['Reading aloud', '{reads} aloud'],
  ['The student will read aloud', '{reads} aloud'],
  ['M1', undefined],
  ['5.NBT.2', undefined],
  ['Rechnet mit großen Zahlen', undefined],
])('a statement as in a list: %s', (written, does) => {
  expect(skillWords(written)?.does).toBe(does)
})

it('says “learning to” with the plain form, and nothing of nothing', () => {
  expect(skillWords('Tries and carries on')?.do).toBe('try and carry on')
  expect(skillWords('Has a go')?.do).toBe('have a go')
  expect([skillWords(''), skillWords(' . '), skillWords('{adds')]).toEqual([null, null, null])
})

it('puts skills together so that each “and” is read with its own', () => {
  expect(skillsTogether([])).toBe('')
  expect(skillsTogether(['drawing maps'])).toBe('drawing maps')
  expect(skillsTogether(['drawing maps', 'reading graphs'])).toBe('drawing maps and reading graphs')
  expect(skillsTogether(['adding and subtracting', 'reading graphs'])).toBe(
    'adding and subtracting, and reading graphs',
  )
  expect(skillsTogether(['one', 'two', 'three'])).toBe('one, two, and three')
  expect(skillsTogether(['asks and listens', 'comes ready'], 'or')).toBe('asks and listens, or comes ready')
})
